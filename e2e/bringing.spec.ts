import { expect, test, type Locator, type Page } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import writeSheet from 'write-excel-file/node'
import { stripLogbook, takeIn } from './fixture'
import { go, pick } from './steps'

const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
/** Chooses files to be brought in. */
const give = (page: Page, files: Parameters<Locator['setInputFiles']>[0]) =>
  page.locator('input[type=file]').first().setInputFiles(files)
/** A meter's log that idles before the switch goes on. */
const idling = (watts: number) =>
  ['Elapsed,Level %,Power W', ...Array.from({ length: 90 }, (_, i) => `${i * 10},${5 + Math.floor(i / 9)},${i < 6 ? 0 : watts}`)].join('\n') // prettier-ignore

test('several files at once: one after the other, with what was said of the first, from power-on', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(3))
  await give(page, [csv('one.csv', idling(18)), csv('two.csv', idling(12))])
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
  await go(page, '/sheet')
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
  await give(page, [
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
  await go(page, '/sheet')
  await expect(page.getByTestId('runs').getByRole('link', { name: /Hawser 22/ })).toHaveCount(1)
  await expect(page.getByTestId('runs').getByRole('link', { name: /Hawser 23/ })).toHaveCount(3)
})

test('a table with one column a device becomes runs of one source, compared by what they reached', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(3))
  const rows = [0, 5, 10, 15, 20].map((minute, k) => `${minute};${5 + 6 * k};${5 + 9 * k}`)
  await give(page, csv('phones.csv', ['Time;Skerry P5 no. 1;Skerry P5 no. 2', ...rows].join('\n')))
  await expect(page.getByText('Skerry P5 no. 2 (device)')).toBeVisible()
  await pick(page, 'Source', 'Hawser 22')
  await page.getByRole('button', { name: 'Make 2 runs of it' }).click()
  await expect(page).toHaveURL(/\/side-by-side/)
  // None came to half: what a quarter of an hour brought is asked.
  await expect(page.getByTestId('verdict')).toContainText('15 min')
  await go(page, '/sheet')
  await expect(page.getByTestId('runs').getByRole('link', { name: /Hawser 22/ })).toHaveCount(2)
  await expect(page.getByTestId('runs').getByRole('link', { name: /P5 no. 1/ })).toHaveCount(1)
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
  await give(page, { name: 'evening.xlsx', mimeType: 'application/zip', buffer })
  await expect(page.getByRole('alert')).toContainText('line 5, Hawser 21: "smudged" is not a number')
  await expect(page.getByRole('img', { name: /paths of the table/ })).toBeVisible()
  await page.getByRole('button', { name: 'Make 2 runs of it' }).click()
  await expect(page).toHaveURL(/\/side-by-side/)
  await expect(page.getByTestId('verdict')).toContainText('Hawser 22')
  await expect(page.getByTestId('results').getByRole('row')).toHaveCount(3)

  await go(page, '/files')
  await page.getByRole('button', { name: 'Paste or type a table' }).click()
  await page.getByRole('textbox', { name: 'Table' }).fill('time_s\tbattery_percent\n0\t5\n600\t20\n1200\t35')
  await page.getByRole('button', { name: 'Read it' }).click()
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()

  // Typed from a film: its own timecode, and where on it the switch was thrown.
  await go(page, '/files')
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
  await go(page, '/files')
  await give(page, {
    name: 'odd.xlsx',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK\u0003\u0004 and no more'),
  })
  await expect(page.getByRole('alert')).toContainText('could not be read')
})

test('a run from a file fills the place in the plan that waits for it, and can be taken out of it again', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(2, { stop: { kind: 'duration', seconds: 600 } }))
  const inPlan = page.getByRole('combobox', { name: 'For the plan' })
  const done = async (count: number) => {
    await go(page, '/plan/c')
    await expect(page.getByText(new RegExp(`2 runs: ${count} done`))).toBeVisible()
  }
  await give(page, [
    csv('brief.csv', 'time_s,battery_percent\n0,5\n300,11\n'),
    csv('one.csv', idling(18)),
    csv('two.csv', idling(17)),
  ])
  // Five minutes of the ten that the plan wants: not taken for it, and short where somebody says it is; its place waits.
  await expect(page.getByText('brief.csv', { exact: true })).toBeVisible()
  await expect(inPlan).toHaveValue('not of the plan')
  await pick(page, 'For the plan', 'All at once, run 1')
  for (const name of ['brief.csv', 'one.csv']) {
    await expect(page.getByText(name, { exact: true })).toBeVisible()
    await expect(inPlan).toHaveValue('All at once, run 1')
    await page.getByLabel(/The device was set as the plan says: ./).check()
    await page.getByRole('button', { name: 'Make it a run' }).click()
  }
  // The pair has its run: the second is a run as well, but not of the plan.
  await expect(page.getByText('two.csv', { exact: true })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Make it a run' })).toBeEnabled()
  await expect(inPlan).toHaveCount(0)
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page).toHaveURL(/\/sheet\//)
  const second = page.url()
  await done(1)

  await go(page, '/sheet')
  await expect(page.getByTestId('runs').getByRole('link')).toHaveCount(3)
  const first = page.getByTestId('runs').getByRole('link').nth(1)
  await first.click()
  await expect(page).not.toHaveURL(second)
  await page.getByRole('button', { name: 'Edit this run' }).click()
  await pick(page, 'For the plan', 'not of the plan')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await done(0)
})

/** A meter and a screen left running while one charge followed another: nothing flows between them, and the level falls. */
const evening = () => {
  const rows: string[] = []
  const charge = (watts: number, points: number) => {
    for (let i = 0; i < 60; i++)
      rows.push(`${rows.length * 60},${Math.min(100, 40 + Math.floor(i * points))},${watts}`)
  }
  charge(18, 1)
  for (let i = 0; i < 20; i++) rows.push(`${rows.length * 60},${Math.max(40, 97 - 3 * i)},0`)
  charge(10, 0.5)
  return ['Elapsed,Level %,Power W', ...rows].join('\n')
}

/** A table as a spreadsheet in the OpenDocument format, numbers as numbers. */
function ods(name: string, table: string) {
  const cell = (of: string) =>
    Number.isNaN(Number(of))
      ? `<table:table-cell office:value-type="string"><text:p>${of}</text:p></table:table-cell>`
      : `<table:table-cell office:value-type="float" office:value="${of}"><text:p>${of}</text:p></table:table-cell>`
  const rows = table
    .split('\n')
    .map((row) => `<table:table-row>${row.split(',').map(cell).join('')}</table:table-row>`)
  const content = `<office:document-content><table:table table:name="Log">${rows.join('')}</table:table></office:document-content>`
  const zip = zipSync({ mimetype: strToU8('application/vnd.oasis.opendocument.spreadsheet'), 'content.xml': strToU8(content) }) // prettier-ignore
  return { name, mimeType: 'application/vnd.oasis.opendocument.spreadsheet', buffer: Buffer.from(zip) }
}

test('an evening’s log of two charges, in a spreadsheet, becomes a run of each, set beside each other', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(3))
  await give(page, [ods('evening.ods', evening())])
  const which = page.getByLabel('It holds 2 charges. Make a run of')
  await expect(which).toHaveValue(/^charge 1, 0:00:00 to 0:59:00$/)
  await pick(page, 'Source', 'Hawser 22')
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(which).toHaveValue(/^charge 2, 1:19:00 to the end$/)
  await pick(page, 'Source', 'Hawser 23')
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page).toHaveURL(/\/side-by-side\?runs=/)
  await go(page, '/sheet')
  await page
    .getByTestId('runs')
    .getByRole('link', { name: /Hawser 22/ })
    .click()
  await expect(page.getByTestId('figure-Energy')).toContainText('17.7')
  // Kept as one run, it can still be parted, and that undone.
  await go(page, '/files')
  await give(page, [ods('whole.ods', evening())])
  await pick(page, 'It holds 2 charges. Make a run of', 'all of it as one run')
  await pick(page, 'Source', 'Hawser 21')
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await page.getByRole('button', { name: 'Make a run of each charge' }).click()
  await expect(page).toHaveURL(/\/side-by-side\?runs=/)
  await expect(page.getByRole('region', { name: 'Ranking' })).toContainText('Hawser 21 (2)')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Choose at least two runs')).toBeVisible()
})
