import { LOGBOOK_SCHEMA_VERSION } from '@core/logbook/versions'
import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { takeInShelf } from './fixture'
import {
  cellsOf,
  controlClock,
  fillShelf,
  go,
  startByHand,
  startSimulated,
  stopAndKeep,
  typeReading,
} from './steps'

// The whole way, as it is for a reviewer: with the program laid up for offline use meanwhile.
test.use({ serviceWorkers: 'allow' })

test('from an empty program to two runs side by side, out and in again with the same figures', async ({
  page,
}) => {
  await controlClock(page)
  await page.goto('/')
  await expect(page.getByText('An empty shelf')).toBeVisible()
  await fillShelf(page)

  // A run typed in by hand, every five minutes, one of them 20 s late.
  await startByHand(page, 'Bollard 12', '5')
  const levels = ['20', '35', '50', '64', '76', '86', '94', '100']
  for (const [i, level] of levels.entries()) {
    await page.clock.fastForward(i === 2 ? 320_000 : i === 3 ? 280_000 : 300_000)
    await expect(page.getByTestId('countdown')).toHaveText('now')
    await typeReading(page, level, '11,5')
  }
  await expect(page.getByText('The display shows 100 %.')).toBeVisible()
  await stopAndKeep(page)
  // 50 % was first seen at the late reading, at 15:20, and the one before was at 10:00.
  await expect(page.getByTestId('milestone-50')).toContainText('0:15:2')
  await expect(page.getByTestId('milestone-50')).toContainText('0:10:0')
  // The bracket's middle for full: between 35 and 40 minutes.
  await expect(page.getByTestId('milestone-100')).toContainText(/3[78].min/)
  // 11.5 W for 40 minutes by the handbook: 7.67 Wh; the start level carries no power, so five minutes fewer.
  await expect(page.getByTestId('figure-Energy')).toContainText('6.7')

  // A simulated one at speed, labelled as such everywhere.
  await startSimulated(page, 'Bollard 5', '5', '600×')
  await expect(page.getByText('simulated', { exact: true })).toBeVisible()
  await page.clock.fastForward(14_000)
  await expect(page.getByText('The display shows 100 %.')).toBeVisible({ timeout: 30_000 })
  await stopAndKeep(page)
  await expect(page.getByText('simulated', { exact: true })).toBeVisible()

  await go(page, '/sheet')
  const boxes = page.getByRole('checkbox', { name: /^Choose / })
  await expect(boxes).toHaveCount(2)
  for (const box of await boxes.all()) await box.check()
  await page.getByRole('button', { name: 'Set side by side' }).click()
  await expect(page.getByTestId('results').getByText('simulated')).toHaveCount(1)
  await expect(page.getByTestId('against')).toContainText('speed ratio')
  const before = [await cellsOf(page, 'results'), await cellsOf(page, 'against')]
  const address = page.url()

  await go(page, '/files')
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take the whole logbook' }).click()
  const file = await (await saving).path()
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({
    format: 'inkpath-logbook',
    schemaVersion: LOGBOOK_SCHEMA_VERSION,
  })

  await page.getByRole('button', { name: 'Wipe the logbook' }).click()
  await page.getByRole('button', { name: 'Wipe it' }).click()
  await expect(page.getByText('0 runs.')).toBeVisible()
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'logbook.json', mimeType: 'application/json', buffer: readFileSync(file) })
  await page.getByRole('button', { name: 'Merge it in' }).click()
  await expect(page.getByText('The file was merged')).toBeVisible()
  await expect(page.getByText('2 runs.')).toBeVisible()
  await page.goto(address)
  await expect(page.getByTestId('against')).toBeVisible()
  expect([await cellsOf(page, 'results'), await cellsOf(page, 'against')]).toEqual(before)
})

test('a trace goes out as CSV and comes in as a run with the same figures', async ({ page }) => {
  await controlClock(page)
  await takeInShelf(page)
  await startSimulated(page, 'Bollard 12', '40', '600×')
  await page.clock.fastForward(10_000)
  await expect(page.getByText('The display shows 100 %.')).toBeVisible({ timeout: 30_000 })
  await stopAndKeep(page)
  const figures = await page.getByTestId('milestone-80').innerText()
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take the trace (CSV)' }).click()
  const csv = readFileSync(await (await saving).path())
  expect(csv.toString().split('\r\n')[0]).toBe(
    'time_s,battery_percent,voltage_v,current_a,temperature_back_c',
  )

  await go(page, '/files')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'trace.csv', mimeType: 'text/csv', buffer: csv })
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  expect(await page.getByTestId('milestone-80').innerText()).toBe(figures)
})

test('a table of somebody else’s is mapped by hand', async ({ page }) => {
  await fillShelf(page)
  await go(page, '/files')
  const text = 'then;filling;strength\n0;10;5,1\n600;31;5,0\n1200;52;4,9\n'
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'other.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await expect(page.getByRole('alert')).toContainText('no time column')
  for (const [header, meaning] of [
    ['then', 'time'],
    ['filling', 'level, %'],
    ['strength', 'watts, W'],
  ]) {
    await page.getByRole('combobox', { name: `What ${header} holds` }).press('Enter')
    // The list is long and scrolls by itself; the choice is made on the element, wherever it stands.
    const option = page.getByRole('option', { name: meaning, exact: true })
    await expect(option).toBeAttached()
    // A list that is still opening may not hear the first click.
    await expect(async () => {
      if (await option.count()) await option.evaluate((item: HTMLElement) => item.click())
      await expect(page.getByRole('listbox')).toHaveCount(0, { timeout: 3000 })
    }).toPass()
  }
  await expect(page.getByText('3 readings over 20 min: level, watts.')).toBeVisible()
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page.getByTestId('milestone-50')).toContainText('19 min')
})
