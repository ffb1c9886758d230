import { expect, test } from '@playwright/test'
import { stripLogbook, takeIn } from './fixture'
import { go } from './steps'

/** Current begins at 52 s of the meter's clock and at 12 s of the device's: 40 s lie between them. */
const LENGTH = 1800
const meter = ['time_s,voltage_v,power_w']
const device = ['time_s,battery_percent,battery_current_a']
for (let s = 0; s < LENGTH; s++) meter.push(`${s},${s < 52 ? 0 : 9},${s < 52 ? 0 : 18}`)
for (let s = 0; s < LENGTH - 60; s++)
  device.push(`${s},${5 + Math.floor(Math.max(0, s - 12) / 60)},${s < 12 ? -0.1 : 3.6}`)
const file = (name: string, lines: string[]) => ({
  name,
  mimeType: 'text/csv',
  buffer: Buffer.from(lines.join('\n')),
})

test('a meter’s file and a device’s become one run: the offset found, nudged, undone, typed', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(1))
  await go(page, '/files')
  await page.locator('input[type=file]').setInputFiles([file('device.csv', device), file('meter.csv', meter)])
  await page.getByRole('button', { name: 'Join another file to it' }).click()
  const join = page.getByRole('region', { name: 'Two ends on one clock' })
  await expect(join.getByText('meter.csv at the source, device.csv off the device.')).toBeVisible()
  await expect(page.getByTestId('offset-found')).toContainText(/start of current in both: 40.0.s/)
  const offset = join.getByLabel('Added to the device’s clock')
  await expect(offset).toHaveValue('40')
  await join.focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(offset).toHaveValue('31')
  await join.getByRole('button', { name: 'Undo' }).click()
  await expect(offset).toHaveValue('41')
  await offset.fill('soon')
  await offset.press('Enter')
  await expect(join.getByText('The offset must be a number.')).toBeVisible()
  await offset.fill('40,5')
  await offset.press('Enter')
  const path = join.getByRole('img', { name: /^device.csv/ })
  const box = (await path.boundingBox())!
  await page.mouse.move(box.x + 200, box.y + 60)
  await page.mouse.down()
  await page.mouse.move(box.x + 300, box.y + 60, { steps: 4 })
  await page.mouse.up()
  await expect(offset).not.toHaveValue('40.5')
  await join.getByRole('button', { name: 'Undo' }).click()
  await expect(offset).toHaveValue('40.5')
  await page.getByRole('button', { name: 'Make them one run' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await expect(
    page.getByText(/meter.csv and device.csv, on one clock: 40.5.s added .*moved by hand/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Readings' }).click()
  await expect(page.getByRole('columnheader', { name: /Battery amperes/ })).toBeVisible()
})

test('two files that share nothing say so, and nothing is kept', async ({ page }) => {
  await takeIn(page, stripLogbook(1))
  await go(page, '/files')
  await page
    .locator('input[type=file]')
    .setInputFiles([
      file('meter.csv', meter),
      file('room.csv', ['time_s,temperature_c', '0,21', '60,22', '120,22']),
    ])
  await page.getByRole('button', { name: 'Join another file to it' }).click()
  await expect(page.getByTestId('offset-found')).toContainText('Give the offset.')
  // None is taken for one that nobody gave.
  await page.getByRole('button', { name: 'Make them one run' }).click()
  await expect(page.getByText('Give the offset of the two clocks first.')).toBeVisible()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByRole('button', { name: 'Make it a run' })).toBeVisible()
})

test('files that a meter wrote one after the other become one run, by their moments or as it is typed', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(1))
  await go(page, '/files')
  const hour = (start: string, level: number) => [
    `Start: 2026-03-02 ${start}`,
    'time_s,battery_percent,power_w',
    ...Array.from({ length: 60 }, (_, i) => `${i * 60},${level + Math.floor(i / 3)},18`),
  ]
  await page
    .locator('input[type=file]')
    .setInputFiles([
      file('a.csv', hour('18:00', 5)),
      file('b.csv', hour('19:10', 25)),
      file('c.csv', hour('20:00', 45).slice(1)),
    ])
  await page.getByRole('button', { name: 'Join another file to it' }).click()
  const after = page.getByRole('region', { name: 'One after the other' })
  await expect(after).toContainText(
    '60 readings of a.csv, then 60 of b.csv. By the moments at which both began.',
  )
  const begins = after.getByLabel('Its clock begins at')
  await expect(begins).toHaveValue('1:10:00')
  await begins.fill('0:50:00')
  await expect(after.getByText(/from 0:59:00 on, where the first one ends/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Make them one run' })).toBeDisabled()
  await begins.fill('1:10:00')
  await page.getByRole('button', { name: 'Join another file to it' }).click()
  await expect(after).toContainText('120 readings of a.csv')
  await expect(after).toContainText('Nothing tells when: right after the last reading.')
  await expect(begins).toHaveValue('2:10:00')
  await page.getByRole('button', { name: 'Make them one run' }).click()
  await expect(page.getByText(/a.csv, and b.csv from 1:10:00 on, and c.csv from 2:10:00 on/)).toBeVisible()
  await page.getByRole('button', { name: 'Readings' }).click()
  await expect(page.getByText(/180/).first()).toBeVisible()
})
