import { expect, test } from '@playwright/test'
import Papa from 'papaparse'
import { noConditions } from '@core/protocol/runConditions'
import { stripLogbook, takeIn, withRuns } from './fixture'
import { go, openDemo, pick } from './steps'

test('side by side answers in a sentence, ranks with its ±, and refuses where it would not be fair', async ({
  page,
}) => {
  await openDemo(page)
  await go(page, '/side-by-side?runs=demo-2,demo-3,demo-4,demo-5,demo-7')
  const verdict = page.getByTestId('verdict')
  // The logbook's own repeats tell that runs repeat well: five minutes are seen, and are small.
  await expect(verdict).toContainText('Hawser 30 and Gangway 100 can’t be told apart')
  // Of those in the drawer that do as well, the cheapest.
  await expect(verdict).toContainText('You own Hawser 20: keep it.')
  const ranking = page.getByRole('region', { name: 'Ranking' })
  await expect(ranking.getByRole('listitem')).toHaveCount(5)
  await expect(ranking.getByTestId('place-clear').last()).toContainText('Gangway 65')

  // Every picture is a table as well.
  await page.getByText('As a table').click()
  const watts = page.getByRole('table', { name: 'Power' })
  await expect(watts.getByRole('columnheader', { name: 'Gangway 65' })).toBeVisible()
  await expect(watts.getByRole('row', { name: /^0:20:00/ })).toContainText(/12\.0\sW/)

  await page.getByRole('button', { name: '15 min' }).click()
  await expect(verdict).toContainText('In 15 minutes')
  await page.reload()
  await expect(verdict).toContainText('In 15 minutes')

  // Start levels that differ stop the verdict until it is accepted, or the clocks are set to a common level.
  await go(page, '/side-by-side?runs=demo-1,demo-8')
  await expect(page.getByTestId('unfair')).toContainText('start level')
  await expect(ranking).toHaveCount(0)
  await page.getByRole('button', { name: 'Compare all the same' }).click()
  await expect(page.getByText('Compared although these differ: start level.')).toBeVisible()
  await expect(page.getByTestId('fairness').getByRole('row', { name: /^Start level differs/ })).toBeVisible()
  await go(page, '/side-by-side?runs=demo-1,demo-8&goal=half')
  await page.getByRole('button', { name: 'Set the clocks to a common level' }).click()
  await expect(verdict).toContainText(/From 6\s% to half/)
  await pick(page, 'Clocks from', 'power-on')
  await expect(page.getByTestId('unfair')).toBeVisible()
})

test('a hand moves all paths as they are drawn, at once; where it rests they are drawn anew, at the same place', async ({
  page,
}) => {
  await openDemo(page)
  await go(page, '/side-by-side?runs=demo-2,demo-3,demo-4,demo-5,demo-7')
  const paths = page.getByRole('group', { name: /^Paths/ })
  await expect(paths.locator('canvas[aria-busy=false]')).toHaveCount(4)
  await paths.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('+')
  const box = (await paths.locator('canvas').first().boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  const drag = async (by: number) => {
    await page.mouse.move(x, y)
    await page.mouse.down()
    for (let i = 1; i <= 5; i++) await page.mouse.move(x + (by * i) / 5, y)
  }
  const moving = paths.locator('.slide:visible')
  await drag(-120)
  // A machine that is busy has the wide pictures ready a moment later: until then each move is drawn anew.
  let aside = 0
  await expect(async () => {
    aside = 1 - aside
    await page.mouse.move(x - 120 - aside, y)
    await expect(moving).toHaveCount(4, { timeout: 500 })
  }).toPass({ timeout: 30_000 })
  await page.mouse.up()
  await expect(moving).toHaveCount(0)
  // What was moved lay where it is drawn now: of the plot of the levels, hardly a point differs.
  const differs = () =>
    page.evaluate(() => {
      const [still, wide] = [...document.querySelectorAll<HTMLCanvasElement>('.frame canvas')].slice(0, 2)
      const shift = -new DOMMatrix(wide.style.transform).e
      const [left, top, width, height] = [60, 40, 600, 180]
      const points = (of: HTMLCanvasElement, from: number) =>
        of.getContext('2d')!.getImageData(Math.round(from), top, width, height).data
      const [a, b] = [points(still, left), points(wide, left + shift)]
      let [inked, apart] = [0, 0]
      for (let i = 3; i < a.length; i += 4) {
        if (a[i] > 128) inked++
        if (Math.abs(a[i] - b[i]) > 200) apart++
      }
      return { inked: inked > 500, share: apart / inked < 0.5 }
    })
  expect(await differs()).toEqual({ inked: true, share: true })
  // Further than what was held ready: new points are had while the hand moves.
  const readOff = paths.getByRole('status')
  for (let i = 0; i < 6; i++) {
    await drag(-300)
    await page.mouse.up()
  }
  await expect(moving).toHaveCount(0)
  // The hand lets go near the left of the last half hour of 2 h 17 min.
  await page.keyboard.press('ArrowLeft')
  await expect(readOff).toContainText(/At 1:(4[89]|5\d)/)
  await page.getByRole('button', { name: 'Show the whole' }).click()
  await expect(paths.getByRole('button', { name: 'Show the whole' })).toBeDisabled()
})

test('the crew’s question is chosen, answered, challenged and copied; more set-ups than inks are lifted out of the grey', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openDemo(page)
  await go(page, '/side-by-side?runs=' + range(21, 35))
  const verdict = page.getByTestId('verdict')
  await expect(verdict).toContainText('Gangway 100, Hawser 30 and Hawser 20 can’t be told apart')
  await expect(verdict).toContainText('You own Hawser 20: keep it.')
  await expect(verdict).toContainText('Bollard 12 would do.')
  await expect(page.getByTestId('odd')).toContainText('Gangway 65 is bigger than')
  await expect(page.getByTestId('odd')).toContainText('in this order: heat')
  await expect(page.getByTestId('foreseen')).toContainText('Ballast 60')
  await expect(page.getByTestId('purposes')).toContainText('Smallest to pack')

  // Eight minutes do not matter: the words follow.
  const worth = page.getByRole('textbox', { name: 'Worth noticing from' })
  await worth.fill('10')
  await worth.press('Enter')
  await expect(verdict).toContainText('You own Bollard 12: keep it.')
  await page.reload()
  await expect(verdict).toContainText('You own Bollard 12: keep it.')

  // Copied as CSV, the table comes back with the figures that stand on the screen.
  const results = page.getByRole('region', { name: 'Results' })
  await results.getByRole('button', { name: 'to 100 %' }).click()
  await results.getByRole('group', { name: 'Copy the results' }).getByRole('button', { name: 'CSV' }).click()
  await expect(results.getByText('Copied as CSV.')).toBeVisible()
  const rows = Papa.parse<string[]>(await page.evaluate(() => navigator.clipboard.readText())).data
  expect(rows[0]).toEqual([
    'Set-up',
    'Runs',
    'to 50 %',
    'to 80 %',
    'to 90 %',
    'to 100 %',
    'until the current stops',
  ])
  expect(rows[5][0]).toContain('Gangway 65')
  const shown = await page.getByTestId('results').getByRole('row').nth(5).getByRole('cell').last().innerText()
  const squeezed = (text: string) => text.replace(/[\s()]/g, '')
  expect(squeezed(rows[5][6])).toBe(squeezed(shown))

  // Every set-up of the demo: the ninth and those after it are grey until one is lifted out.
  await go(page, '/side-by-side?accept=1&runs=' + range(1, 41))
  await expect(page.getByTestId('unsound')).toContainText('Gangway 100')
  const lift = page.getByRole('region', { name: 'Ranking' }).getByRole('button', { pressed: false }).last()
  await lift.click()
  await expect(
    page.getByRole('region', { name: 'Ranking' }).getByRole('button', { pressed: true }),
  ).toBeVisible()

  // By its question, from the list.
  await go(page, '/side-by-side')
  await page.getByRole('combobox', { name: 'By question' }).fill('Thwart T11: over')
  await page.getByRole('option', { name: /^Thwart T11: over its sources/ }).click()
  await expect(page.getByTestId('results')).toContainText('Bulkhead outlet')
})

const range = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, i) => `demo-${from + i}`).join()

test('the same gear set otherwise, or with an older battery, is another set-up and not a repeat', async ({
  page,
}) => {
  const logbook = withRuns(6)
  const conditions = (state: string, healthPercent: number) => ({
    ...noConditions(),
    deviceState: state,
    healthPercent,
  })
  const states = [
    'asleep, case off',
    'case off; asleep',
    'asleep, case on',
    'Case on, asleep',
    'asleep, case off',
    '',
  ]
  logbook.runs.forEach(({ run }, i) => (run.conditions = conditions(states[i], i < 4 ? 100 : 88)))
  await takeIn(page, logbook)
  const ranking = page.getByRole('region', { name: 'Ranking' })
  await go(page, '/side-by-side?runs=r0,r1,r2,r3')
  await expect(page.getByTestId('unfair')).toContainText('state of the device')
  await page.getByRole('button', { name: 'Compare all the same' }).click()
  await expect(ranking.getByRole('listitem')).toHaveCount(2)
  await expect(page.getByTestId('verdict')).toContainText(
    '(case off) and Hawser 21 (case on) can’t be told apart',
  )
  // Before and after: only the battery is another. One of the later runs says nothing of its state.
  await go(page, '/side-by-side?runs=r0,r1,r4,r5&accept=1')
  await expect(ranking.getByRole('listitem')).toHaveCount(2)
  await expect(page.getByTestId('verdict')).toContainText(/health 100\s%\) and Hawser 21 \(health 88\s%\)/)
  // Repeats of one set-up: how well they agree is the answer, and each has a line and a path of its own.
  await go(page, '/side-by-side?runs=r0,r1')
  await expect(page.getByTestId('verdict')).toContainText(
    /the 2 runs of Hawser 21 took .* each: they vary by 0\.0\s%/,
  )
  await expect(page.getByTestId('results').getByRole('row')).toHaveCount(3)
  await expect(page.getByRole('region', { name: 'Results' })).not.toContainText('Against')
  await expect(ranking.getByRole('listitem')).toHaveCount(2)
  await expect(ranking).toContainText('by its own readings')
  // More repeats than inks share the ink of their set-up: there is none to be lifted out.
  const many = withRuns(10)
  many.runs.forEach(({ run }, i) => (run.id = `m${i}`))
  await takeIn(page, many)
  await go(page, `/side-by-side?runs=${many.runs.map(({ run }) => run.id).join()}`)
  await expect(ranking.getByRole('listitem')).toHaveCount(10)
  await expect(ranking.getByRole('button')).toHaveCount(0)
  await go(page, '/side-by-side?runs=r0,r1')
  await page.getByRole('button', { name: 'Write it up' }).click()
  await expect(page.getByRole('table', { name: /^Times/ }).getByRole('row')).toHaveCount(3)
})

test('a run that was simulated, or whose source fed another meanwhile, is no repeat of a measured one alone', async ({
  page,
}) => {
  const logbook = withRuns(4)
  logbook.devices.push(...stripLogbook(2).devices.slice(1))
  // A source of one port feeds no two: runs on it at once are on two of its kind.
  logbook.sources[0].ports.push(...logbook.sources[0].ports)
  const [, shared, simulated, other] = logbook.runs.map(({ run }) => run)
  simulated.provenance = 'simulation'
  shared.startedAt = '2026-03-05T19:00:00.000Z'
  Object.assign(other, { deviceId: 'd2', startedAt: shared.startedAt })
  await takeIn(page, logbook)
  const ranking = page.getByRole('region', { name: 'Ranking' })
  await go(page, '/side-by-side?runs=r0,r1')
  await expect(ranking.getByRole('listitem')).toHaveCount(2)
  await expect(page.getByTestId('verdict')).toContainText(
    'Hawser 21 (alone) and Hawser 21 (with another run) can’t be told apart',
  )
  await go(page, '/side-by-side?runs=r0,r2')
  await expect(page.getByTestId('unfair')).toContainText('made by')
  await page.getByRole('button', { name: 'Compare all the same' }).click()
  await expect(page.getByTestId('verdict')).toContainText('Hawser 21 (simulated)')
  await page.getByRole('button', { name: 'Write it up' }).click()
  await expect(page.getByText('1 of the 2 runs is simulated.')).toBeVisible()
  // Two units, each from two chargers of which one is slow: the choice is told for each unit, and each can be seen alone.
  const units = withRuns(4)
  units.sources.push(stripLogbook(2).sources[1])
  units.runs.forEach(({ run, trace }, i) => {
    Object.assign(run, { id: `u${i}`, sourceId: i < 2 ? 's1' : 's2' })
    run.conditions.unitLabel = i % 2 ? 'B' : 'A'
    if (i < 2) trace.time.forEach((s, row) => (trace.time[row] = 2 * s))
  })
  await takeIn(page, units)
  await go(page, `/side-by-side?runs=${units.runs.map(({ run }) => run.id).join()}`)
  await expect(page.getByTestId('purposes')).toContainText(
    'For Skerry P5 no. 1 (A)You own Hawser 22: keep it.',
  )
  await expect(page.getByTestId('purposes')).toContainText(
    'For Skerry P5 no. 1 (B)You own Hawser 22: keep it.',
  )
  await page.getByTestId('apart').getByRole('link', { name: 'Skerry P5 no. 1 (B)' }).click()
  await expect(ranking.getByRole('listitem')).toHaveCount(2)
  await expect(page.getByTestId('verdict')).toContainText('You own Hawser 22: keep it.')
})
