import { expect, test } from '@playwright/test'
import { takeIn, withRuns } from './fixture'
import { go } from './steps'

test('five hundred runs open at once, and every screen with them', async ({ page }) => {
  test.setTimeout(120_000)
  await takeIn(page, withRuns(500))
  // The figures are worked out once, in the background.
  await page.goto('/sheet')
  await expect(
    page
      .getByTestId('runs')
      .getByText(/^1.h.33.min$/)
      .first(),
  ).toBeVisible()
  await expect.poll(() => page.evaluate(countHeadlines), { timeout: 60_000 }).toBe(500)
  await page.reload()
  await expect(
    page
      .getByTestId('runs')
      .getByText(/^1.h.33.min$/)
      .first(),
  ).toBeVisible()
  // Few rows are there at any time, and the last is reached by scrolling.
  expect(await page.getByTestId('runs').getByRole('row').count()).toBeLessThan(60)
  await page
    .getByTestId('runs')
    .locator('.v-table__wrapper')
    .evaluate((e) => e.scrollTo(0, e.scrollHeight))
  await expect(page.getByTestId('runs').getByText('Mar 1, 2026').first()).toBeVisible()
  await page.getByRole('textbox', { name: 'Find a run' }).fill('nothing like it')
  await expect(page.getByText('No run is like that.')).toBeVisible()
  for (const [screen, text] of [
    ['/shelf', 'Sources'],
    ['/shelf/pairs', 'Hawser 21'],
    ['/plan', 'Plan'],
    ['/bench', 'Start the clock'],
  ] as const) {
    await go(page, screen)
    await expect(page.getByText(text).first()).toBeVisible()
  }
})

const countHeadlines = async () => {
  const open = indexedDB.open('inkpath-log')
  const db = await new Promise<IDBDatabase>((resolve) => (open.onsuccess = () => resolve(open.result)))
  const count = db.transaction('headlines').objectStore('headlines').count()
  return new Promise<number>((resolve) => {
    count.onsuccess = () => (db.close(), resolve(count.result))
  })
}
