import { expect, test, type Page } from '@playwright/test'
import writeSheet from 'write-excel-file/node'
import { stripLogbook, takeIn, withRuns } from './fixture'
import { controlClock, pick } from './steps'

/** The next run is not stored. */
const refuseOnce = (page: Page, what = 'runs/') =>
  page.evaluate((what) => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (value: unknown, key?: IDBValidKey) {
      if (!String(key).startsWith(what)) return put.call(this, value, key)
      IDBObjectStore.prototype.put = put
      throw new DOMException('Full', 'QuotaExceededError')
    }
  }, what)
const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
/** A meter's log that idles before the switch goes on. */
const idling = (watts: number) =>
  ['Elapsed,Level %,Power W', ...Array.from({ length: 90 }, (_, i) => `${i * 10},${5 + Math.floor(i / 9)},${i < 6 ? 0 : watts}`)].join('\n') // prettier-ignore

test('several files at once: one after the other, with what was said of the first, from power-on', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(3))
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles([csv('one.csv', idling(18)), csv('two.csv', idling(12))])
  await expect(page.getByText('1 more waits.')).toBeVisible()
  await expect(page.getByRole('img', { name: /^The path of the file/ })).toBeVisible()
  await expect(page.getByRole('checkbox', { name: /Begin at power-on, 0:00:50/ })).toBeChecked()
  await pick(page, 'Source', 'Hawser 23')
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page.getByText('two.csv', { exact: true })).toBeVisible()
  await expect(page.getByText('Hawser 23', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page).toHaveURL(/\/sheet\//)
  await expect(page.getByTestId('figure-Energy')).toContainText('Wh')
  await page.goto('/sheet')
  await expect(page.getByTestId('runs').getByRole('link', { name: /Hawser 23/ })).toHaveCount(2)
})

test('every record of a workbook and of a text waits its turn, with the source it is called after', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(3))
  const cell = (value: string | number) => ({ value, type: typeof value === 'string' ? String : Number })
  const sheet = (...rows: (string | number)[][]) => rows.map((row) => row.map(cell)) as never
  const levels = (pace: number) => [0, 5, 10, 15].map((minute) => [minute, 5 + pace * minute])
  const buffer = await (
    await writeSheet([
      { data: sheet(['Charger', 'Price'], ['Hawser 21', 18]), sheet: 'Prices' },
      { data: sheet(['Minutes', 'Level'], ...levels(1)), sheet: 'Hawser 22' },
      { data: sheet(['Minutes', 'Level'], ...levels(2)), sheet: 'Hawser 23' },
    ])
  ).toBuffer()
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles([
      csv('broken.json', '{'),
      { name: 'evening.xlsx', mimeType: 'application/zip', buffer },
      csv('twice.csv', 'time_s,battery_percent\n0,5\n300,11\n600,17\n0,5\n300,8\n'),
    ])
  await expect(page.getByText('evening.xlsx, Hawser 22')).toBeVisible()
  await expect(page.getByText('broken.json was not taken in')).toBeVisible()
  await expect(page.getByText('2 more wait.')).toBeVisible()
  await expect(page.getByText('No readings were found in “Prices”')).toBeVisible()
  for (const name of ['evening.xlsx, Hawser 23', 'twice.csv, record 1', 'twice.csv, record 2']) {
    await page.getByRole('button', { name: 'Make it a run' }).click()
    await expect(page.getByText(name, { exact: true })).toBeVisible()
  }
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page).toHaveURL(/\/sheet\//)
  await page.goto('/sheet')
  await expect(page.getByTestId('runs').getByRole('link', { name: /Hawser 22/ })).toHaveCount(1)
  await expect(page.getByTestId('runs').getByRole('link', { name: /Hawser 23/ })).toHaveCount(3)
})

test('a spreadsheet with one column a charger becomes runs; cells can be pasted too', async ({ page }) => {
  await takeIn(page, stripLogbook(2))
  const cell = (value: string | number) => ({ value, type: typeof value === 'string' ? String : Number })
  const levels = (pace: number) => (k: number) => Math.min(100, 5 + pace * k)
  const rows = [
    // Levels as a spreadsheet keeps its percentages, and the watts of one of the two.
    ['Minutes', 'Hawser 21', 'Hawser 22 (%)', 'Hawser 22 (W)'].map(cell),
    ...Array.from({ length: 21 }, (_, k) =>
      [k * 5, k === 3 ? 'smudged' : levels(5)(k) / 100, levels(6)(k) / 100, 20 - k / 2].map(cell),
    ),
  ]
  const buffer = await (await writeSheet(rows as never)).toBuffer()
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'evening.xlsx', mimeType: 'application/zip', buffer })
  await expect(page.getByRole('alert')).toContainText('line 5, Hawser 21: "smudged" is not a number')
  await expect(page.getByRole('img', { name: /paths of the table/ })).toBeVisible()
  await page.getByRole('button', { name: 'Make 2 runs of it' }).click()
  await expect(page).toHaveURL(/\/side-by-side/)
  await expect(page.getByTestId('verdict')).toContainText('Hawser 22')
  await expect(page.getByTestId('results').getByRole('row')).toHaveCount(3)

  await page.goto('/files')
  await page.getByRole('button', { name: 'Paste or type a table' }).click()
  await page.getByRole('textbox', { name: 'Table' }).fill('time_s\tbattery_percent\n0\t5\n600\t20\n1200\t35')
  await page.getByRole('button', { name: 'Read it' }).click()
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()

  // Typed from a film: its own timecode, and where on it the switch was thrown.
  await page.goto('/files')
  await page.getByRole('button', { name: 'Paste or type a table' }).click()
  await page.getByRole('textbox', { name: 'Table' }).fill('time\tlevel\n0:12:45\t5\n0:22:31\t20\n0:32:31\t35')
  await page.getByRole('button', { name: 'Read it' }).click()
  await page.getByLabel('Clock at the switch').fill('1:12:31')
  await expect(page.getByText(/before the last reading at 0:32:31/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Make it a run' })).toBeDisabled()
  await page.getByLabel('Clock at the switch').fill('0:12:31')
  await expect(page.getByText(/before the last reading at 0:32:31/)).toBeHidden()
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await page.getByRole('button', { name: 'Readings' }).click()
  for (const time of ['0:00:14', '0:10:00', '0:20:00'])
    await expect(page.getByRole('button', { name: `Correct the time ${time}` })).toBeVisible()

  // What is no spreadsheet, though it is called one.
  await page.goto('/files')
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({
      name: 'odd.xlsx',
      mimeType: 'application/zip',
      buffer: Buffer.from('PK\u0003\u0004 and no more'),
    })
  await expect(page.getByRole('alert')).toContainText('could not be read')
})

test('the bench offers the same again with the next source: a level and Enter start it', async ({ page }) => {
  await takeIn(page, stripLogbook(3))
  await page.goto('/bench')
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: '10 min' }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByTestId('elapsed')).toBeVisible()
  await page.getByRole('button', { name: 'Add a lane' }).click()
  await expect(page.getByTestId('again')).toBeVisible()
  // The next phone on the next charger: the first of both are in use.
  const form = page.getByRole('form', { name: 'A new lane' })
  await expect(form).toContainText('Hawser 22')
  await expect(page.getByLabel('Start level')).toBeFocused()
  // The wrong phone picked is seen before the clock starts.
  await pick(page, 'Device', 'Skerry P5 no. 1')
  await expect(form.getByRole('status')).toHaveText(/^Skerry P5 no\. 1 is on lane 1 already/)
  await pick(page, 'Device', 'Skerry P5 no. 2')
  await expect(form.getByRole('status')).toHaveText('')
  await page.getByLabel('Start level').fill('7')
  await page.getByLabel('Start level').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('elapsed')).toHaveCount(2)
})

test('Enter starts a lane though its form is still being drawn', async ({ page }) => {
  await takeIn(page, withRuns(1))
  // Turns of the page that take a second each.
  await page.addInitScript(() => {
    const { setTimeout } = window
    window.setTimeout = ((work: TimerHandler, ms = 0, ...rest: unknown[]) =>
      setTimeout(work, ms === 0 ? 1000 : ms, ...rest)) as typeof window.setTimeout
  })
  await page.goto('/bench')
  await expect(page.getByLabel('Start level')).toBeFocused()
  await page.keyboard.type('7')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('elapsed')).toBeVisible()
})

test('a survey goes source after source by Enter alone, fills the grid, and ends in bars', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(3))
  await page.clock.install()
  await page.goto('/bench/survey')
  const told = page.getByTestId('survey-told')
  for (const [source, reading] of [
    ['Hawser 21', '9 2.1'],
    ['Hawser 22', '5,1 0,94'],
    ['Hawser 23', '0'],
  ]) {
    await expect(page.getByRole('heading', { name: source })).toBeVisible()
    await page.getByLabel('Volts and amperes').focus()
    await page.keyboard.press('Enter')
    await page.clock.fastForward(20_000)
    await page.keyboard.type(reading)
    await page.keyboard.press('Enter')
    await expect(told).toContainText('Not settled yet')
    if (source === 'Hawser 22') {
      // A reload in the middle takes up what is in hand.
      await page.reload()
      await expect(told).toContainText('Not settled yet')
      await page.getByLabel('Volts and amperes').focus()
    }
    await page.clock.fastForward(15_000)
    await page.keyboard.type(reading)
    await page.keyboard.press('Enter')
    await expect(told).toContainText('Settled')
    await page.keyboard.press('Enter')
    await expect(page.getByText(`${source} is on record.`)).toBeVisible()
  }
  const bars = page.getByRole('region', { name: 'What they gave' })
  await expect(bars.getByRole('listitem')).toHaveCount(3)
  await expect(bars.getByRole('listitem').first()).toContainText('18.9')
  await expect(bars.getByRole('listitem').nth(1)).toContainText('charges slowly')
  await page.goto('/shelf/pairs')
  await expect(page.getByText('charges slowly').first()).toBeVisible()
  // What is no reading is refused where it is typed.
  await page.goto('/bench/survey')
  await page.getByLabel('Volts and amperes').press('Enter')
  await page.keyboard.type('five volts')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Type volts and amperes, like 5.2 2.34').first()).toBeVisible()
})

test('one tab has the survey, whatever the clock says; another takes up what is in hand once it is left', async ({
  page,
  context,
}) => {
  await takeIn(page, stripLogbook(2))
  await page.clock.install()
  await page.goto('/bench/survey')
  const told = page.getByTestId('survey-told')
  await page.getByLabel('Volts and amperes').press('Enter')
  await page.clock.fastForward(20_000)
  await page.keyboard.type('9 2.1')
  await page.keyboard.press('Enter')
  await expect(told).toContainText('Not settled yet')
  // The machine's clock is set back by an hour: the minute goes on.
  await page.clock.setSystemTime(Date.now() - 3600_000)
  await page.clock.fastForward(5_000)
  await expect(page.getByRole('timer')).toHaveText(/^0:00:2\d$|^0:2\d$/)
  // The store refuses once: the field keeps what was typed, and the same press notes it once.
  await refuseOnce(page, 'survey')
  const field = page.getByLabel('Volts and amperes')
  await field.fill('9 2.2')
  await field.press('Enter')
  await expect(field).toHaveValue('9 2.2')
  await expect(page.getByRole('listitem').filter({ hasText: '2.20' })).toHaveCount(0)
  await field.press('Enter')
  await expect(field).toHaveValue('')
  await expect(page.getByRole('listitem').filter({ hasText: '2.20' })).toHaveCount(1)
  // Left and come back to, in a moment: it is this tab's still.
  await page.getByRole('link', { name: 'Bench' }).first().click()
  await page.waitForURL('**/bench')
  await page.goBack()
  await expect(page.getByTestId('survey-told')).toContainText('ettled')
  await expect(page.getByTestId('elsewhere')).toHaveCount(0)
  const other = await context.newPage()
  await other.goto('/bench/survey')
  await expect(other.getByTestId('elsewhere')).toBeVisible()
  await expect(other.getByLabel('Volts and amperes')).toHaveCount(0)
  await page.close()
  const takenUp = other.getByTestId('survey-told')
  await expect(takenUp).toContainText('Not settled yet')
  await expect(other.getByRole('listitem').filter({ hasText: /2\.[12]0/ })).toHaveCount(2)
  await other.getByLabel('Volts and amperes').fill('9 2.1')
  await other.keyboard.press('Enter')
  await expect(other.getByRole('listitem').filter({ hasText: '2.10' })).toHaveCount(2)
})

test('spot checks of three sources by the meter’s count: 0.42 and 1.63 Wh in 5 min on a 14.1 Wh pack (common practice, no source)', async ({
  page,
}) => {
  const logbook = stripLogbook(3)
  await takeIn(page, { ...logbook, devices: [{ ...logbook.devices[0], capacityWh: 14.1 }], campaigns: [] })
  await controlClock(page)
  await page.goto('/bench')
  await page.getByRole('link', { name: 'spot checks' }).click()
  const level = page.getByLabel('Start level')
  const count = page.getByLabel('The meter’s count')
  // Above half the watts no longer hold.
  await expect(level).toBeFocused()
  await page.keyboard.type('60')
  await page.keyboard.press('Enter')
  await expect(page.getByText('start at 50 % or less')).toBeVisible()
  // A meter that was not set to nothing is asked about, and what it stood at can be typed.
  await level.fill('20')
  await level.press('Enter')
  await expect(count).toBeFocused()
  await page.clock.fastForward(300_000)
  await count.fill('12.4')
  await count.press('Enter')
  await expect(page.getByText(/12\.4 Wh since power-on are more/)).toBeVisible()
  await page.getByRole('button', { name: 'Start this one over' }).click()
  await level.fill('20')
  await page.getByLabel('Count at the start').fill('12,4')
  await page.keyboard.press('Enter')
  await expect(count).toBeFocused()
  await expect(page.getByText('since power-on are more')).toHaveCount(0)
  await page.clock.fastForward(300_000)
  await count.fill('12.82')
  await count.press('Enter')
  await expect(page.getByText('Hawser 21 is on record.')).toBeVisible()
  await expect(page.getByTestId('spot-table').getByRole('row').nth(1)).toContainText(/Hawser 21.*0\.420\sWh/)
  await level.fill('20')
  for (const [source, wh] of [
    ['Hawser 22', '1,63'],
    ['Hawser 23', '0.91'],
  ]) {
    await expect(page.getByRole('combobox', { name: 'Source' })).toHaveValue(source)
    await expect(level).toHaveValue('20')
    await level.focus()
    await page.keyboard.press('Enter')
    await expect(count).toBeFocused()
    if (source === 'Hawser 22') {
      // A reload in the middle is where it was.
      await page.reload()
      await expect(count).toBeVisible()
      await count.focus()
    }
    await page.clock.fastForward(300_000)
    await expect(page.getByText('The time is up')).toBeVisible()
    if (source === 'Hawser 23') {
      await count.press('Enter')
      await expect(page.getByText('Type what the meter has counted')).toBeVisible()
      // The store refuses once: the count is on the lane, and the same press keeps it; nothing is there twice.
      await refuseOnce(page)
      await count.fill('0.905')
      await count.press('Enter')
      await expect(page.getByText(/0\.905\sWh noted at/)).toBeVisible()
      await page.clock.fastForward(10_000)
    }
    await count.fill(wh)
    await page.getByLabel('Level now').fill('20')
    await page.keyboard.press('Enter')
    await expect(page.getByText(`${source} is on record.`)).toBeVisible()
  }
  const rows = page.getByTestId('spot-table').getByRole('row')
  await expect(rows).toHaveCount(4)
  await expect(rows.nth(1)).toContainText(/Hawser 22.*1\.630\sWh.*22\smin/)
  // It was read ten seconds later.
  await expect(rows.nth(2)).toContainText(/Hawser 23.*0\.910\sWh.*4[01]\smin/)
  await expect(rows.nth(3)).toContainText(/Hawser 21.*0\.420\sWh.*1\sh\s2[45]\smin/)
  await page.getByRole('link', { name: 'Hawser 22' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await expect(page.getByText('At this rate half full after')).toBeVisible()
})

test('an energy budget: charges in a bank, a pack for some, hours of a use (3 Wh in 10 min are 18 W, common practice, no source)', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(1))
  await page.goto('/shelf/budget')
  const told = page.getByTestId('budget')
  // 15 Wh with four fifths arriving: 18.75 Wh at the meter.
  await expect(told).toContainText(/18\.8.Wh/)
  await page.getByLabel('Pack holds').fill('75')
  await page.getByLabel('of which is usable').fill('80')
  await page.getByLabel('A use takes').fill('3')
  await page.getByLabel('in', { exact: true }).fill('10')
  // 60 Wh usable: 3.2 charges, 3 h 20 min at 18 W.
  await expect(told).toContainText('3.2')
  await expect(told).toContainText(/18\.0.W/)
  await expect(told).toContainText(/3.h.20.min/)
  await page.getByLabel('of which is usable').fill('180')
  await expect(page.getByText('Above 0 and up to 100.')).toBeVisible()
})
