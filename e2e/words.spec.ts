import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { takeIn, withRuns } from './fixture'
import { controlClock, go, pick, stopAndKeep } from './steps'

test('every screen lists its keys, and the rules behind the figures stand in the program', async ({
  page,
}) => {
  await takeIn(page, withRuns(1))
  for (const [path, key] of [
    ['/bench', 'it just turned full'],
    ['/sheet/r0', 'look closer, or from further away'],
    ['/plan', 'this list'],
  ]) {
    await go(page, path)
    await expect(page.getByRole('button', { name: 'Keys of this screen' })).toBeVisible()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog')).toContainText(key)
    await page.getByRole('button', { name: 'Close' }).click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  await go(page, '/shelf')
  await page.getByRole('link', { name: 'How it works out its numbers' }).click()
  // The same words as behind the figure on the sheet, with the numbers of the reviewer's own run.
  const own = page.getByRole('region', { name: 'Time to 100 %' })
  await expect(page.getByText(/numbers of Skerry P5 no. 1 from Hawser 21/)).toBeVisible()
  await expect(own.getByText(/between 1:30:00 and 1:35:00 → 1:32:30/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Whether a difference is real' })).toBeVisible()
})

test('a trace goes out as Quantity / unit and comes in again; the schema of a logbook is at hand', async ({
  page,
}) => {
  await takeIn(page, withRuns(1))
  await go(page, '/sheet/r0')
  const sentence = await page.getByTestId('sentence').innerText()
  const taking = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take it as “Quantity / unit”' }).click()
  const text = await readFile((await (await taking).path())!, 'utf8')
  expect(text.split('\r\n')[0]).toBe('Test Time / s,Shown Level / %,Power / W')
  await go(page, '/files')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'q.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.getByRole('button', { name: 'Make it a run' }).click()
  await expect(page.getByTestId('sentence')).toHaveText(sentence)
  await go(page, '/files')
  const schema = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take the file’s schema' }).click()
  const read = JSON.parse(await readFile((await (await schema).path())!, 'utf8')) as { $schema: string }
  expect(read.$schema).toContain('draft-07')
})

test('an empty program offers a first look that ends on a comparison, and takes it away again', async ({
  page,
}) => {
  await controlClock(page)
  await go(page, '/shelf')
  await page.getByRole('button', { name: 'See it work first' }).click()
  const guide = page.getByRole('status', { name: 'A first look' })
  await expect(guide).toContainText('two hours in a minute')
  await expect(page.getByText('simulated', { exact: true })).toHaveCount(2)
  // A reload in the middle goes on with it.
  await page.reload()
  await expect(guide).toContainText('two hours in a minute')
  // The minute is gone through by its ticks, quicker than it passes.
  const sideBySide = guide.getByRole('link', { name: 'Set them side by side' })
  await expect(async () => {
    await page.clock.runFor(5000)
    await expect(sideBySide).toBeVisible({ timeout: 200 })
  }).toPass()
  await sideBySide.click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Example 18 W')
  await guide.getByRole('button', { name: 'Take the example away' }).click()
  await expect(page.getByText('An empty shelf')).toBeVisible()
})

const to = (page: Page, screen: string) =>
  page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: screen }).click()

test('times of day and prices are written as preferred, after a reload too', async ({ page }) => {
  await takeIn(page, withRuns(1))
  await go(page, '/files')
  await page.getByLabel('Prices are in').fill('crowns')
  await pick(page, 'Times of day', '19:30')
  // By a link: what was chosen holds at once, and is stored meanwhile.
  await to(page, 'Shelf')
  await page.getByRole('button', { name: 'Edit Hawser 21' }).click()
  await page.getByLabel('Price').fill('12')
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('costs 12 crowns')).toBeVisible()
  await go(page, '/sheet/r0')
  await expect(page.getByText(/1 Mar 2026|Mar 1, 2026/).first()).toContainText(
    /\b([01]\d|2[0-3]):00\b(?! [AP]M)/,
  )
  // A comma, and °F: what is typed in them is kept as it always was.
  await go(page, '/files')
  await pick(page, 'Decimals', '12,5 W')
  await pick(page, 'Temperatures', '°F')
  await to(page, 'Sheet')
  await page
    .getByRole('link', { name: / from Hawser/ })
    .first()
    .click()
  await expect(page.getByText(/18,0\sW/).first()).toBeVisible()
  await go(page, '/bench')
  await page.getByLabel('Start level').fill('5')
  await page.getByLabel('Room').fill('200')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByText('Room must be at most 140 °F.')).toBeVisible()
  await page.getByLabel('Room').fill('70,7')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await stopAndKeep(page)
  await expect(page.getByText(/70,7\s°F/)).toBeVisible()
  await go(page, '/files')
  await expect(page.getByRole('combobox', { name: 'Temperatures' })).toBeVisible()
  await pick(page, 'Temperatures', '°C')
  await pick(page, 'Decimals', '12.5 W')
  await to(page, 'Sheet')
  await page
    .getByRole('link', { name: / from Hawser/ })
    .first()
    .click()
  await expect(page.getByText(/21\.5\s°C/)).toBeVisible()
})

test('a hint that goes as its field is left moves no button below it', async ({ page }) => {
  await takeIn(page, withRuns(1))
  await go(page, '/shelf')
  await page.getByRole('button', { name: 'Add a cable' }).click()
  // The form takes the cursor to its first field as it opens.
  await expect(page.getByLabel('Name')).toBeFocused()
  const field = page.getByLabel('Data rating')
  const button = page.getByRole('button', { name: 'Put on the shelf' })
  await field.focus()
  await expect(page.getByText('As printed')).toBeVisible()
  const shown = await button.boundingBox()
  await button.focus()
  await expect(page.getByText('As printed')).toBeHidden()
  expect((await button.boundingBox())?.y).toBe(shown?.y)
})

test('a form that opens takes the cursor to its first field, but not from whoever went on to another', async ({
  page,
}) => {
  await takeIn(page, withRuns(1))
  await go(page, '/shelf')
  for (let i = 0; i < 4; i++) {
    await page.getByRole('button', { name: 'Edit Hawser 21' }).click()
    // At once, as a machine is quick: what is typed stays where it was typed.
    await page.getByLabel('Price').focus()
    await page.waitForTimeout(30 * i)
    await page.keyboard.type('12')
    await page.waitForTimeout(400)
    await expect(page.getByLabel('Price')).toHaveValue('12')
    await expect(page.getByLabel('Name')).toHaveValue('Hawser 21')
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  await page.getByRole('button', { name: 'Edit Hawser 21' }).click()
  await expect(page.getByLabel('Name')).toBeFocused()
})
