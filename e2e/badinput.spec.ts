import { expect, test, type Page } from '@playwright/test'
import { zipSync } from 'fflate'
import { takeIn, takeInShelf, withRuns } from './fixture'
import { addDevice, go, startByHand } from './steps'

test('a device’s capacity must make sense', async ({ page }) => {
  await go(page, '/shelf')
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page.getByLabel('Name').fill('Skerry P5')
  const capacity = page.getByLabel('Capacity', { exact: true })
  for (const [typed, message] of [
    ['-1', 'Capacity must be at least 0 mAh.'],
    ['0', 'Capacity must be more than 0.'],
    ['plenty', 'Capacity must be a number.'],
    ['1000000000', 'Capacity must be at most 100000 mAh.'],
  ]) {
    await capacity.fill(typed)
    await page.getByRole('button', { name: 'Put on the shelf' }).click()
    await expect(page.getByText(message)).toBeVisible()
  }
  await capacity.fill('4200')
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('16.2 Wh')).toBeVisible()
})

test('a deletion can be undone', async ({ page }) => {
  await go(page, '/shelf')
  await addDevice(page, 'Thwart T11')
  await page.getByRole('button', { name: 'Delete Thwart T11' }).click()
  await expect(page.getByRole('button', { name: 'Edit Thwart T11' })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Edit Thwart T11' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Edit Thwart T11' })).toBeVisible()
})

test('an impossible reading is refused where it is typed, an odd one asked about once', async ({ page }) => {
  await takeInShelf(page)
  await startByHand(page, 'Bollard 12', '5')
  await page.getByLabel('Level').fill('104')
  await page.getByLabel('Power').fill('-500')
  await page.getByRole('button', { name: 'Note a reading' }).click()
  await expect(page.getByText('The battery level must be at most 100 %.')).toBeVisible()
  await expect(page.getByText('Watts must be at least −300 W.')).toBeVisible()
  await expect(page.getByLabel('Level')).toHaveValue('104')
  await expect(page.getByTestId('level')).toHaveText(/5/)

  // A device may feed out, and a display may waver by a point: neither is asked about.
  await page.getByLabel('Level').fill('4')
  await page.getByLabel('Power').fill('−0,5')
  await page.getByLabel('Power').press('Enter')
  await expect(page.getByTestId('level')).toHaveText(/4/)
  await page.getByLabel('Level').fill('2')
  await page.getByLabel('Power').press('Enter')
  await expect(page.getByText(/The level fell from 4 to 2 %/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByTestId('level')).toHaveText(/2/)
  await page.getByRole('button', { name: 'Take back the last' }).click()
  await expect(page.getByTestId('level')).toHaveText(/4/)
})

/** A spreadsheet whose list says that it unpacks to two thousand million bytes. */
function bomb(): Buffer {
  const zip = Buffer.from(zipSync({ 'xl/worksheets/sheet1.xml': new Uint8Array(9) }))
  // In the zip's list: the length once unpacked (APPNOTE.TXT 4.3.12, from memory).
  zip.writeUInt32LE(2_000_000_000, zip.indexOf(Buffer.from([0x50, 0x4b, 1, 2])) + 24)
  return zip
}

const bring = (page: Page, name: string, content: string | Buffer) =>
  page
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(content as string) })

test('a file that is no logbook and no trace is refused, and the logbook stays', async ({ page }) => {
  await takeInShelf(page)
  await go(page, '/files')
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  const files: [string, string | Buffer, RegExp][] = [
    ['notime.csv', 'battery_percent,power_w\n5,10\n', /no time column/],
    ['picture.csv', png, /not a text file/],
    ['empty.csv', '', /empty/],
    ['bomb.xlsx', bomb(), /too large to be opened whole/],
    ['empty.json', '', /empty/],
    ['other.json', '{"name":"something","items":[1,2]}', /not a logbook of this program/],
    ['cut.json', '{"format":"inkpath-logbook","schemaVersion":1,"devices":[{"id', /cut short/],
    [
      'wrong.json',
      '{"format":"inkpath-logbook","schemaVersion":1,"devices":[{"id":"x"}],"sources":[],"runs":[]}',
      /Give it a name/,
    ],
  ]
  for (const [name, content, message] of files) {
    await bring(page, name, content)
    await expect(page.getByRole('alert')).toContainText(message)
    await expect(page.getByRole('alert')).toContainText('Nothing stored was changed')
  }
  await go(page, '/shelf')
  await expect(page.getByRole('button', { name: 'Edit Skerry P5' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Edit Bollard 12' })).toBeVisible()
})

test('a trace with bad rows names each by its line and keeps the rest', async ({ page }) => {
  await takeInShelf(page)
  await go(page, '/files')
  await bring(page, 'rows.csv', 'time_s,battery_percent,power_w\n0,5,10\n60,6,ten\n30,7,10\n120,8,10\n')
  await expect(page.getByRole('alert')).toContainText('line 3, power_w: "ten" is not a number')
  await expect(page.getByRole('alert')).toContainText('line 4, time_s: Time goes backwards')
  await expect(page.getByText('3 readings over 2 min')).toBeVisible()
})

test('a meter with figures that cannot be is refused field by field, and kept once they can', async ({
  page,
}) => {
  await go(page, '/shelf')
  await page.getByRole('button', { name: 'Add a source' }).click()
  await expect(page.getByLabel('Name')).toBeFocused()
  await page.getByRole('button', { name: 'Leave as it was' }).click()
  await addDevice(page, 'Skerry P5', {
    Capacity: '4200',
    'Advertised claims, one a line': '50 % in 25 min; lasts for ever',
  })
  await page.getByRole('button', { name: 'Add a meter' }).click()
  await expect(page.getByLabel('Name')).toBeFocused()
  await page.getByLabel('Smallest step').fill('-1')
  await page.getByLabel('Stated accuracy').fill('half')
  await page.getByLabel('plus').fill('2')
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('Give it a name.')).toBeVisible()
  await expect(page.getByText('Resolution must be at least 0.')).toBeVisible()
  await expect(page.getByText('Accuracy must be a number.')).toBeVisible()
  await page.getByLabel('Name').fill('Tally inline meter')
  await page.getByLabel('Smallest step').fill('0,01')
  await page.getByLabel('and of its current').fill('0.01')
  await page.getByLabel('Stated accuracy').fill('0,5')
  // 0.5 % of 9 V and of 2 A, two digits of 0.01 each: √((2 × 0.065)² + (9 × 0.03)²) / √3, twice: 0.35 W (GUM §5.1.2).
  await expect(page.getByText(/18 W to ± 0\.35.W/)).toBeVisible()
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByRole('button', { name: 'Edit Tally inline meter' })).toBeVisible()
  await page.getByRole('button', { name: 'Edit Skerry P5' }).click()
  await expect(page.getByText('Understood: 50 % in 25')).toBeVisible()
  await expect(page.getByText(/not understood as a claim: lasts for ever/)).toBeVisible()
})

test('a run whose id another program made up is found by its address, alone and beside others', async ({
  page,
}) => {
  const logbook = withRuns(3)
  const odd = ['evening/1?a=b#c', '50%,2', 'r.1 + é']
  const runs = logbook.runs.map(({ run, trace }, i) => ({ run: { ...run, id: odd[i] }, trace }))
  await takeIn(page, { ...logbook, runs })
  await go(page, '/sheet')
  for (let i = 0; i < odd.length; i++) {
    await go(page, '/sheet')
    await page.getByTestId('runs').getByRole('link').nth(i).click()
    await expect(page.getByTestId('sentence')).toBeVisible()
    const title = await page.locator('p.above').textContent()
    await page.reload()
    await expect(page.getByTestId('sentence')).toBeVisible()
    expect(await page.locator('p.above').textContent()).toBe(title)
  }
  await go(page, '/sheet')
  const boxes = page.getByRole('checkbox', { name: /^Choose/ })
  await expect(boxes).toHaveCount(odd.length)
  for (const box of await boxes.all()) await box.check()
  await page.getByRole('button', { name: 'Set side by side' }).click()
  await expect(page.getByText('3 runs of one set-up')).toBeVisible()
  await page.reload()
  await expect(page.getByText('3 runs of one set-up')).toBeVisible()
  // The second copy names its files after them.
  await go(page, '/files')
  await expect(page.getByText('Kept in this browser’s private files')).toBeVisible()
})
