import { expect, test } from '@playwright/test'
import { stripLogbook, takeIn, withRuns } from './fixture'
import { controlClock, go } from './steps'

const EVENING = new Date('2026-03-02T14:00:00')

test('a device drains and rests by the clock; the rest goes with the run, the drain time with the device', async ({
  page,
}) => {
  await controlClock(page, EVENING)
  await takeIn(page, stripLogbook(1))
  await go(page, '/bench')
  await page.getByRole('button', { name: 'Drain a device to its start level' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('It shows now').fill('1')
  await dialog.getByLabel('Start level').fill('5')
  await dialog.getByRole('button', { name: 'Start draining' }).click()
  await expect(dialog.getByText('It cannot drain to more than it shows now.')).toBeVisible()
  await dialog.getByLabel('It shows now').fill('85')
  await dialog.getByRole('button', { name: 'Start draining' }).click()
  const part = page.getByRole('region', { name: 'Preparation' })
  await expect(part.getByText(/drains from 85 to 5 %.*expected at/)).toBeVisible()
  await page.clock.fastForward(4 * 3_600_000)
  await page.reload()
  await part.getByRole('button', { name: 'It shows 5 %' }).click()
  await expect(page.getByText(/drains from full in 5.0.h/)).toBeVisible()
  await page.clock.fastForward(21 * 60_000)
  await expect(part.getByText('it has rested')).toBeVisible()
  // Timed, so it need not be typed.
  await expect(page.getByLabel('Rested before')).toHaveValue('21')
  await page.getByLabel('Start level').fill('5')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('countdown')).toBeVisible()
  await expect(part.getByText('it has rested')).toHaveCount(0)
})

test('a spoilt stretch is left out with a reason, and counted again', async ({ page }) => {
  await takeIn(page, withRuns(1))
  await go(page, '/sheet/r0')
  const before = await page.getByTestId('sentence').innerText()
  await page.getByRole('button', { name: 'Leave a stretch out' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('From').fill('0:30:00')
  await dialog.getByLabel('To', { exact: true }).fill('0:20:00')
  await dialog.getByLabel('Why').fill('the camera stopped')
  await dialog.getByRole('button', { name: 'Leave it out' }).click()
  await expect(dialog.getByText('The end comes after the beginning.')).toBeVisible()
  await dialog.getByLabel('To', { exact: true }).fill('0:45:00')
  await dialog.getByRole('button', { name: 'Leave it out' }).click()
  const left = page.getByRole('region', { name: 'Left out' })
  await expect(left.getByText(/0:30:00–0:45:00.*4 readings: the camera stopped/)).toBeVisible()
  await page.reload()
  await left.getByRole('button', { name: 'Count it again' }).click()
  await expect(left).toHaveCount(0)
  await expect(page.getByTestId('sentence')).toHaveText(before)
})

test('two tabs each drain a device, and neither forgets the other’s', async ({ page, context }) => {
  await takeIn(page, stripLogbook(2))
  const tabs = [page, await context.newPage()]
  for (const tab of tabs) {
    await go(tab, '/bench')
    await expect(tab.getByRole('button', { name: 'Drain a device to its start level' })).toBeVisible()
  }
  for (const [i, tab] of tabs.entries()) {
    await tab.getByRole('button', { name: 'Drain a device to its start level' }).click()
    if (i) {
      await tab.getByRole('dialog').getByRole('combobox', { name: 'Device' }).press('Enter')
      await tab.getByRole('option', { name: 'Skerry P5 no. 2' }).click()
    }
    await tab.getByRole('dialog').getByLabel('It shows now').fill('80')
    await tab.getByRole('dialog').getByRole('button', { name: 'Start draining' }).click()
    await expect(tab.getByRole('dialog')).toHaveCount(0)
  }
  await page.reload()
  const part = page.getByRole('region', { name: 'Preparation' })
  await expect(part.getByText(/drains from 80/)).toHaveCount(2)
})

test('the rest that was timed stands in a planned lane’s checklist, and ends as the lane starts', async ({
  page,
}) => {
  await controlClock(page, EVENING)
  await takeIn(page, stripLogbook(1, { restMinutes: 21 }))
  await go(page, '/bench')
  await page.getByRole('button', { name: 'Drain a device to its start level' }).click()
  await page.getByRole('dialog').getByLabel('It shows now').fill('85')
  await page.getByRole('dialog').getByRole('button', { name: 'Start draining' }).click()
  await page.getByRole('button', { name: 'It shows 1 %' }).click()
  // The rest begins as it is noted: the clock must not be moved under it.
  await expect(page.getByText('rests since')).toBeVisible()
  await page.clock.fastForward(24 * 60_000)
  await go(page, '/plan/c?part=timetable')
  await page.getByRole('button', { name: 'Lay out the runs' }).click()
  await page.getByRole('button', { name: 'Progress' }).click()
  await page.getByRole('button', { name: 'Carry the first to the bench' }).click()
  const rest = page.getByRole('listitem').filter({ hasText: 'Rested for 21 min' }).getByRole('textbox')
  await expect(rest).toHaveValue('24')
  await page.clock.fastForward(6 * 60_000)
  await expect(rest).toHaveValue('30')
  await page.getByRole('button', { name: 'Done: Rested for 21 min' }).click()
  await expect(page.getByText(/done: 30\smin, outside what is required/)).toBeVisible()
  await page.getByRole('button', { name: 'Power on' }).click()
  await expect(page.getByTestId('countdown')).toBeVisible()
  await expect(page.getByText('rests since')).toHaveCount(0)
})
