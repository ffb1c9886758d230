import { expect, test } from '@playwright/test'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { stripLogbook, takeIn } from './fixture'
import { go } from './steps'

const READINGS = 1_000_000

/** A day at ten readings a second, one bad cell, and a spike of a tenth of a second. */
function writeLog(path: string) {
  const rows = ['time_s,battery_percent,power_w']
  for (let i = 0; i < READINGS; i++) {
    const watts = i === 432_100 ? '61.5' : i === 700_000 ? 'oops' : i < 600_000 ? '18.2' : '6.1'
    rows.push(`${(i / 10).toFixed(1)},${Math.floor(2 + (98 * i) / READINGS)},${watts}`)
  }
  writeFileSync(path, rows.join('\n'))
}

test('a million readings are read with progress, stopped, read again, and looked at down to one spike', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'inkpath-large-'))
  const path = join(folder, 'day.csv')
  writeLog(path)
  await takeIn(page, stripLogbook(1))
  await go(page, '/files')
  const file = page.locator('input[type=file]').first()
  await file.setInputFiles(path)
  await expect(page.getByText(/Reading the file: \d+ %/)).toBeVisible()
  await page.getByRole('button', { name: 'Stop reading' }).click()
  await expect(page.getByText('Reading the file')).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Make it a run' })).toHaveCount(0)

  await file.setInputFiles([])
  await file.setInputFiles(path)
  await expect(page.getByText('line 700002, power_w: "oops" is not a number')).toBeVisible()
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await expect(page.getByTestId('finding-spike')).toContainText('61.5 W')
  await expect(page.getByTestId('parts')).toContainText('18.2')

  // The path is there before its readings are, and the spike is in sight however closely one looks.
  await expect.poll(() => page.evaluate(countPictures)).toBe(1)
  let release = () => {}
  const held = new Promise<void>((resolve) => (release = resolve))
  await page.route('**/longTraces.worker*', async (route) => {
    await held
    await route.continue()
  })
  await page.reload()
  const charts = page.getByRole('group', { name: /^Paths/ })
  await expect(page.getByRole('img', { name: /^Charge curve over 27 h/ })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Readings' })).toBeDisabled()
  release()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await charts.focus()
  for (let i = 0; i < 12; i++) await page.keyboard.press('+')
  await expect(charts).toContainText('In view')
  await page.getByRole('button', { name: 'Readings' }).click()
  await expect(page.getByRole('row')).toHaveCount(51)
  await page.getByLabel('Go to time').fill('12:00:10')
  await page.getByRole('button', { name: 'Go', exact: true }).click()
  await expect(page.getByRole('row', { name: /12:00:10/ }).first()).toContainText('61.5')
  rmSync(folder, { recursive: true })
})

/** Runs in the page. */
const countPictures = async () => {
  const opening = indexedDB.open('inkpath-log')
  await new Promise((resolve) => (opening.onsuccess = resolve))
  const db = opening.result
  const count = db.transaction('pictures').objectStore('pictures').count()
  await new Promise((resolve) => (count.onsuccess = resolve))
  db.close()
  return count.result
}
