import { expect, test, type Page } from '@playwright/test'
import { rigAll, stripLogbook, takeIn } from './fixture'
import { controlClock, elapsedSeconds, go, pick } from './steps'

const EVENING = new Date('2026-03-02T18:40:00')
const LANES = 5
const lane = (page: Page, i: number) =>
  page.getByRole('region', { name: `Skerry P5 no. ${i} from Hawser 2${i}` })

/** Time passes, and the bench has seen it. */
async function passTo(page: Page, minute: number) {
  const now = await elapsedSeconds(page)
  await page.clock.fastForward(Math.max(0, minute * 60 - now) * 1000)
  await expect.poll(() => elapsedSeconds(page)).toBeGreaterThanOrEqual(minute * 60)
}
/** Types one level after another with digits and Enter alone, for whichever lane the queue gives the turn. */
async function typeTurns(page: Page, levels: Record<number, number>, turns = Object.keys(levels).length) {
  const done = new Set<number>()
  while (done.size < turns) {
    const form = page.getByRole('form', { name: 'Note a reading' })
    let i = 0
    // The next lane in the queue has its turn as soon as the last entry is stored.
    await expect
      .poll(async () => {
        i = Number(/no\. (\d)/.exec((await form.getAttribute('aria-label')) ?? '')?.[1])
        return done.has(i)
      })
      .toBe(false)
    await expect(page.getByRole('region', { name: 'Entry' }).getByLabel('Level')).toBeFocused()
    await page.keyboard.type(String(levels[i]))
    await page.keyboard.press('Enter')
    await page.keyboard.press('Enter')
    await expect(noted(page, i, levels[i])).toBeVisible()
    done.add(i)
  }
}
const noted = (page: Page, i: number, level: number) =>
  page.getByRole('status').filter({ hasText: new RegExp(`no. ${i} .*Noted at .*${level}`) })
const choose = (page: Page, i: number) =>
  page
    .getByRole('group', { name: 'Lanes' })
    .getByRole('button', { name: new RegExp(`no. ${i} `) })
    .click()
/** Types a level for a lane that is chosen by hand. */
async function typeFor(page: Page, i: number, level: number) {
  await choose(page, i)
  await expect(page.getByRole('form', { name: `no. ${i} ` })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Entry' }).getByLabel('Level')).toBeFocused()
  await page.keyboard.type(String(level))
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(noted(page, i, level)).toBeVisible()
}
const each = (level: number): Record<number, number> =>
  Object.fromEntries([1, 2, 3, 4, 5].map((i) => [i, level + i]))

test('five lanes by hand: closer checks once one shows 90 %, one late, one missed, one corrected', async ({
  page,
}) => {
  test.setTimeout(150_000)
  await controlClock(page, EVENING)
  await takeIn(page, stripLogbook(LANES, { stop: { kind: 'level', percent: 95 } }))
  await rigAll(page, LANES)
  await page.getByRole('button', { name: 'Power on' }).click()
  await expect(page.getByTestId('elapsed')).toHaveCount(LANES)

  // The call comes on whichever screen is open.
  await page.getByRole('link', { name: 'Files' }).click()
  await page.clock.fastForward(600_000)
  await expect(page).toHaveTitle(/^\(5 due\) Files/)
  await page.getByRole('link', { name: 'Bench' }).click()
  await passTo(page, 10)
  await expect(page).toHaveTitle(/^\(5 due\) Bench/)
  await typeTurns(page, each(15))
  await expect(page).not.toHaveTitle(/due/)

  await passTo(page, 20)
  for (const i of [1, 2, 3, 4]) await typeFor(page, i, 30 + i)
  await passTo(page, 22)
  await typeFor(page, 5, 38)

  await passTo(page, 30)
  for (const i of [1, 2, 4, 5]) await typeFor(page, i, 45 + i)
  await passTo(page, 40)
  await expect(lane(page, 3).getByText('missed: 30')).toBeVisible()

  // An entry is mistyped, and taken back with one key.
  await typeFor(page, 3, 63)
  await choose(page, 3)
  await page.keyboard.press('u')
  await expect(page.getByText('The last reading was taken back.')).toBeVisible()
  await typeFor(page, 3, 62)
  for (const i of [1, 2, 4, 5]) await typeFor(page, i, 60 + i)

  await passTo(page, 50)
  await typeTurns(page, each(75))
  await expect(lane(page, 2).getByTestId('countdown')).toHaveText(/^(10:00|9:\d\d)$/)
  await passTo(page, 60)
  await typeTurns(page, { ...each(83), 1: 91 })
  // The first lane showed 90 %: every lane is read after five minutes now.
  await expect(lane(page, 5).getByTestId('countdown')).toHaveText(/^(5:00|4:\d\d)$/)
  await passTo(page, 65)
  await expect(page).toHaveTitle(/\(5 due\)/)
  await typeTurns(page, { 1: 96, 2: 95, 3: 95, 4: 95, 5: 96 })
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('take back the last reading of this lane')
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('c')
  await expect(page.getByText(/: Cable moved, at 1.h.5.min/)).toBeVisible()
  await expect(page.getByText('It shows 95 %.')).toHaveCount(LANES)

  for (const i of [1, 2, 3, 4, 5]) {
    await lane(page, i).getByRole('button', { name: 'Stop this run' }).click()
    await page.getByRole('button', { name: 'Stop and keep' }).click()
    await expect(lane(page, i)).toHaveCount(0)
  }
  await expect(page.getByRole('heading', { name: 'Put back now' })).toBeVisible()

  // The real time of the late reading is kept, and the mistyped one is gone.
  await go(page, '/sheet')
  await page.getByRole('link', { name: /no. 5/ }).click()
  await page.getByRole('button', { name: 'Readings' }).click()
  await expect(page.getByText(/^0:22:0\d/).first()).toBeVisible()
  await go(page, '/sheet')
  await page.getByRole('link', { name: /no. 3/ }).click()
  await page.getByRole('button', { name: 'Readings' }).click()
  await expect(page.getByText(/^0:40:\d\d/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Paths' }).click()
  await expect(page.getByText(/Missed the reading at 30.min/)).toBeVisible()
  await expect(page.getByRole('button', { name: /now 63/ })).toHaveCount(0)
})

test('three simulated lanes at 600× start together and go to full', async ({ page }) => {
  await takeIn(page, stripLogbook(3))
  await rigAll(page, 3)
  for (const card of await page.getByRole('article').all()) {
    await card.getByRole('button', { name: 'a simulated meter and battery' }).click()
    await card.getByRole('button', { name: '600×' }).click()
  }
  await page.getByRole('button', { name: 'Power on' }).click()
  await expect(page.getByText('The display shows 100 %.')).toHaveCount(3, { timeout: 60_000 })
  await expect(page.getByText('simulated', { exact: true })).toHaveCount(3)
})

test('temperatures are asked for at their times, and a hot device stops the bench', async ({ page }) => {
  await controlClock(page, EVENING)
  const heat = { temperatureMinutes: [0, 10], temperaturePlaces: ['front', 'back'], stopLimitC: 45 }
  await takeIn(page, stripLogbook(1, heat))
  await go(page, '/plan/c?part=timetable')
  await page.getByRole('button', { name: 'Lay out the runs' }).click()
  await page.getByRole('button', { name: 'Progress' }).click()
  await page.getByRole('button', { name: 'Carry the first to the bench' }).click()
  await page.getByRole('button', { name: 'Power on' }).click()
  await expect(page.getByText(/temperatures due at/)).toBeVisible()
  await page.getByLabel('Temperature, front').fill('22,5')
  await page.getByLabel('Temperature, back').fill('warm')
  await page.getByRole('button', { name: 'Note a reading' }).click()
  await expect(page.getByText('Degrees must be a number.')).toBeVisible()
  await page.getByLabel('Temperature, back').fill('23')
  await page.getByRole('button', { name: 'Note a reading' }).click()
  await expect(page.getByText(/^front 22.5.°C, back 23.0.°C$/)).toBeVisible()
  await expect(page.getByLabel('Temperature, front')).toHaveCount(0)
  await page.clock.fastForward(600_000)
  await expect(page.getByLabel('Temperature, front')).toBeVisible()
  await page.getByLabel('Temperature, back').fill('46')
  await page.getByRole('button', { name: 'Note a reading' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Stop: back is at 46.0' })).toBeVisible()

  await page.keyboard.press('o')
  await page.getByLabel('Name of the load').fill('chart plotter')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/: chart plotter, at 10/)).toBeVisible()
  await page.clock.fastForward(600_000)
  await page.getByLabel('Level').fill('20')
  await page.getByLabel('Power').fill('12')
  await page.getByRole('button', { name: 'Note a reading' }).click()
  await page.getByRole('button', { name: 'Stop this run' }).click()
  await page.getByRole('button', { name: 'Power was cut' }).click()
  await expect(page.getByText('A repeat of it waits in the plan.')).toBeVisible()
  await go(page, '/sheet')
  await page.getByRole('link', { name: /no. 1/ }).click()
  await expect(page.getByText('The power was cut.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Under load' })).toContainText(/chart plotter.*12\.0.W/)
  await page.getByRole('button', { name: 'Change chart plotter' }).click()
  await page.getByLabel('Time').fill('soon')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('Write the time like 0:12:30')).toBeVisible()
  await page.getByLabel('Time').fill('0:09:30')
  await page.getByLabel('What', { exact: true }).fill('chart plotter and radar')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('0:09:30')).toBeVisible()
  await expect(
    page.getByRole('region', { name: 'Events' }).getByText('chart plotter and radar'),
  ).toBeVisible()
})

test('by touch on a phone: the pad types, big keys, nothing hidden', async ({ browser }) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  })
  const page = await context.newPage()
  await controlClock(page, EVENING)
  await takeIn(page, stripLogbook(2))
  await go(page, '/bench')
  await pick(page, 'Source', 'Hawser 22')
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: 'Start the clock' }).tap()
  await expect(page.getByTestId('elapsed')).toBeVisible()
  await page.clock.fastForward(300_000)
  const pad = page.getByRole('group', { name: 'Number pad' })
  for (const key of ['1', '3', '9']) await pad.getByRole('button', { name: key, exact: true }).tap()
  await pad.getByRole('button', { name: 'Delete the last digit' }).tap()
  await pad.getByRole('button', { name: 'Enter' }).tap()
  for (const key of ['1', '8', '.', '5']) await pad.getByRole('button', { name: key, exact: true }).tap()
  await pad.getByRole('button', { name: 'Enter' }).tap()
  await expect(page.getByText(/Noted at 5.min: 13.%, 18.5.W/)).toBeVisible()
  await page.getByRole('button', { name: 'Screen woken' }).tap()
  await expect(page.getByText(/Screen woken, at 5/)).toBeVisible()
  const small = await page
    .locator('.dock button')
    .evaluateAll((buttons) =>
      buttons
        .filter((b) => b.getBoundingClientRect().height > 0 && b.getBoundingClientRect().height < 44)
        .map((b) => b.textContent),
    )
  expect(small).toEqual([])
  await page.setViewportSize({ width: 844, height: 390 })
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(overflow).toBeLessThanOrEqual(0)
  await context.close()
})
