import { expect, test, type Page } from '@playwright/test'
import { blankRun } from '@core/logbook/run'
import type { Logbook } from '@core/logbook/logbook'
import { traceFromReadings } from '@core/trace/trace'
import { stripLogbook, takeIn, withRuns } from './fixture'
import { go, openedAt, pick } from './steps'

/** A log of an hour, read each second: two holds, a taper, a display that stood still, and one spike of a second. */
function logged(): Logbook {
  const { devices, sources } = stripLogbook(1)
  const level = (s: number) => Math.floor(10 + s / 50)
  const readings = Array.from({ length: 3601 }, (_, s) => ({
    t: s,
    percent: s > 1200 && s < 1800 ? level(1200) : level(s),
    voltage: 9,
    power: s === 700 ? 40 : s < 1500 ? 18 : s < 2700 ? 12 : 12 * Math.exp(-(s - 2700) / 600),
    ...(s % 60 === 0 ? { temperatures: { back: 24 + Math.min(12, s / 100) } } : {}),
  }))
  const run = blankRun({
    id: 'long',
    deviceId: 'd1',
    sourceId: 's1',
    startedAt: '2026-03-02T19:00:00.000Z',
    provenance: 'meter',
    reading: { kind: 'meter', seconds: 1 },
  })
  return { ...withRuns(0), devices, sources, runs: [{ run, trace: traceFromReadings(readings) }] }
}
const charts = (page: Page) => page.getByRole('group', { name: /^Paths/ })

test('a sheet says what the run comes to, how each figure was worked out, and what to mind', async ({
  page,
}) => {
  await takeIn(page, logged())
  await go(page, '/sheet/long')
  await expect(page.getByTestId('key-Half')).toContainText('33')
  await expect(page.getByTestId('parts')).toContainText('18.0')
  await expect(page.getByTestId('part-table').getByRole('row')).toHaveCount(4)
  await expect(page.getByTestId('heat-table')).toContainText('36.0')

  await page.getByTestId('key-Held peak').click()
  await expect(page.getByRole('dialog')).toContainText('The highest mean of the watts over any 60 s')
  await expect(page.getByRole('dialog')).toContainText(/40\.00.W at 0:11:40/)
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByTestId('part-table').getByRole('button').first().click()
  await expect(page.getByRole('dialog')).toContainText('stays level for four minutes or more')
  await page.getByRole('button', { name: 'Close' }).click()

  const stuck = page.getByRole('complementary').getByTestId('finding-stuck-then-jumped')
  await expect(stuck).toContainText('The display stood at 34 %')
  await stuck.getByRole('button', { name: 'Answer it' }).click()
  await openedAt(page, 'Answer')
  await page.getByRole('textbox', { name: 'Answer' }).fill('known: screen was off')
  await page.getByRole('button', { name: 'Keep the answer' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.reload()
  await expect(page.getByTestId('finding-stuck-then-jumped').first()).toContainText('known: screen was off')
})

test('the paths are looked at closely by keys and wheel, all strips together, and against the level', async ({
  page,
}) => {
  await takeIn(page, logged())
  await go(page, '/sheet/long')
  await charts(page).focus()
  await page.keyboard.press('+')
  await expect(charts(page)).toContainText('In view: 12 min to 49 min')
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(charts(page)).toContainText('In view: 5 min to 42 min')
  // Arrows read off, from the middle of what is in view: all strips at one moment.
  await page.keyboard.press('ArrowRight')
  await expect(charts(page)).toContainText(
    /At 0:23:\d\d, \d\d\.\d.% \(shown 34\), 18\.00.W, 9\.00.V, back 36\.0.°C|At 0:23:\d\d/,
  )
  await page.keyboard.press('Escape')
  await page.keyboard.press('0')
  await expect(charts(page)).toContainText('looks closer')
  const picture = page.getByRole('img', { name: /^Charge curve/ })
  await picture.hover()
  await page.keyboard.down('Control')
  await page.mouse.wheel(0, -400)
  await page.keyboard.up('Control')
  await expect(charts(page)).toContainText('In view')
  await page.getByRole('button', { name: 'Show the whole' }).click()
  await expect(charts(page)).toContainText('looks closer')
  await page.getByRole('button', { name: 'Against level' }).click()
  await expect(page.getByRole('img', { name: 'Power against the level' })).toBeVisible()
  await expect(page.getByRole('img', { name: 'Back against the level' })).toBeVisible()
})

test('the moment of power-on and the notes are put right, with the reason', async ({ page }) => {
  await takeIn(page, withRuns(1))
  await go(page, '/sheet/r0')
  await page.getByRole('button', { name: 'Edit this run' }).click()
  await openedAt(page, 'Name')
  await page.getByRole('textbox', { name: 'Name' }).fill('The old drawer charger')
  await page.getByRole('textbox', { name: 'Notes' }).fill('On the wheelhouse table.')
  await page.getByLabel('Power-on').fill('2026-02-27T20:15')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Say why the moment is another.')).toBeVisible()
  await page.getByRole('textbox', { name: 'Why the moment is another' }).fill('the machine’s clock was off')
  await expect(page.getByText('Say why the moment is another.')).toHaveCount(0)
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.reload()
  await expect(page.getByText('On the wheelhouse table.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'The old drawer charger' })).toBeVisible()
  await expect(page.getByText(/Feb 27, 2026/).first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Put right' })).toContainText('the machine’s clock was off')
})

test('the list of runs groups and filters, and is found again as it was left', async ({ page }) => {
  await takeIn(page, withRuns(40))
  await go(page, '/sheet')
  const runs = page.getByTestId('runs')
  await expect(runs.getByRole('link').first()).toBeVisible()
  await pick(page, 'Group', 'by day')
  await expect(runs.getByRole('row', { name: /Mar \d, 2026 ?\(\d+\)/ }).first()).toBeVisible()
  await runs
    .getByRole('checkbox', { name: /^Choose/ })
    .nth(0)
    .check()
  await runs
    .getByRole('checkbox', { name: /^Choose/ })
    .nth(1)
    .check()
  // The page below the list is reached: the list does not grow as fast as the page is moved.
  const keys = page.getByRole('button', { name: 'Keys of this screen' })
  for (let i = 0; i < 3; i++) await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
  await expect(keys).toBeInViewport({ ratio: 1 })
  await page.evaluate(() => window.scrollTo(0, 0))
  await runs.locator('.v-table__wrapper').evaluate((e) => e.scrollTo(0, 400))
  const link = runs.getByRole('link').nth(12)
  await link.scrollIntoViewIfNeeded()
  const left = await runs.locator('.v-table__wrapper').evaluate((e) => e.scrollTop)
  expect(left).toBeGreaterThan(0)
  await link.click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await page.getByRole('link', { name: 'All runs' }).click()
  await expect(page.getByRole('button', { name: 'Set side by side' })).toBeEnabled()
  await expect(page.getByRole('combobox', { name: 'Group' }).first()).toHaveValue('by day')
  await expect.poll(() => runs.locator('.v-table__wrapper').evaluate((e) => e.scrollTop)).toBe(left)
  await pick(page, 'Show', 'spoilt or set aside')
  await expect(page.getByText('No run is like that.')).toBeVisible()
})

test('on a phone a run takes two lines, and nothing is wider than the screen', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await takeIn(page, withRuns(100))
  await go(page, '/sheet')
  const first = page.getByTestId('runs').getByRole('link').first()
  await expect(first).toContainText(/full 1.h.33.min/)
  expect((await first.boundingBox())!.height).toBeLessThan(70)
  for (const box of await page.getByTestId('runs').getByRole('checkbox').all())
    expect((await box.boundingBox())!.x).toBeLessThan((await first.boundingBox())!.x)
  await pick(page, 'Group', 'by source')
  await expect(page.getByText('Hawser 21 (100)')).toBeVisible()
  await first.click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  const width = () => page.evaluate(() => document.documentElement.scrollWidth)
  expect(await width()).toBe(390)
  // A record that is brought in, with all that can be done with it.
  await go(page, '/files')
  const buffer = Buffer.from('time_s,battery_percent,power_w\n0,5,18\n60,6,18\n')
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'a.csv', mimeType: 'text/csv', buffer })
  await expect(page.getByLabel('Notes')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Leave it' })).toBeVisible()
  expect(await width()).toBe(390)
})

test('what is printed from night paper is drawn on white, in the inks of the day', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' })
  await takeIn(page, withRuns(1))
  await go(page, '/sheet/r0')
  await expect(page.locator('canvas[role=img]').nth(1)).toHaveAttribute('aria-busy', 'false')
  // As text: how light the ink of the power is, from 0 to 255, at once after an event, as the printer takes it: no frame between.
  const inkAfter = (event: string) =>
    page.evaluate(`(async () => {
      dispatchEvent(new Event('${event}'))
      await Promise.resolve()
      const canvas = document.querySelectorAll('canvas[role=img]')[1]
      const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height)
      let [sum, inked] = [0, 0]
      for (let i = 0; i < data.length; i += 4)
        if (data[i + 3] > 200) [sum, inked] = [sum + data[i] + data[i + 1] + data[i + 2], inked + 3]
      return sum / inked
    })()`) as Promise<number>
  expect(await inkAfter('nothing')).toBeGreaterThan(128)
  expect(await inkAfter('beforeprint')).toBeLessThan(128)
  await expect(page.locator('.v-theme--paper').first()).toBeVisible()
  await inkAfter('afterprint')
  await expect.poll(() => inkAfter('nothing')).toBeGreaterThan(128)
})
