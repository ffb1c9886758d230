import { expect, test } from '@playwright/test'
import { stripLogbook, takeIn } from './fixture'

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
  await page.goto('/files')
  await page.locator('input[type=file]').setInputFiles([file('device.csv', device), file('meter.csv', meter)])
  await page.getByRole('button', { name: 'It is one end' }).click()
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
  await page.goto('/files')
  await page
    .locator('input[type=file]')
    .setInputFiles([
      file('meter.csv', meter),
      file('room.csv', ['time_s,temperature_c', '0,21', '60,22', '120,22']),
    ])
  await page.getByRole('button', { name: 'It is one end' }).click()
  await expect(page.getByTestId('offset-found')).toContainText('Give the offset.')
  // None is taken for one that nobody gave.
  await page.getByRole('button', { name: 'Make them one run' }).click()
  await expect(page.getByText('Give the offset of the two clocks first.')).toBeVisible()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByRole('button', { name: 'Make it a run' })).toBeVisible()
})
