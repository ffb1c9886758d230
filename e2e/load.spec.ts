import { expect, test, type Page } from '@playwright/test'
import { fillShelf, go, openDemo, pick } from './steps'

async function addToRun(page: Page, id: string, time: string, words: string) {
  await go(page, `/sheet/${id}`)
  await page.getByRole('button', { name: 'Add what happened' }).click()
  await pick(page, 'What', 'Benchmark score')
  await page.getByLabel('Time', { exact: true }).fill(time)
  await page.getByLabel('Name and score').fill(words)
}

test('benchmarks noted afterwards are judged side by side, and stand in the write-up', async ({ page }) => {
  await openDemo(page)
  const events = page.getByRole('region', { name: 'Events' })
  await addToRun(page, 'demo-19', '0:38:00', 'Bridge lights')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText('There is no number in it.')).toBeVisible()
  await page.getByLabel('Name and score').fill('Bridge lights 3: 1,020 points')
  await expect(events.getByText('Taken as Bridge lights 3, 1020 points; higher is better.')).toBeVisible()
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(events.getByText('Bridge lights 3: 1,020 points')).toBeVisible()
  await addToRun(page, 'demo-20', '0:38:00', 'Bridge lights 3: 780 points')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(events.getByText('Bridge lights 3: 780 points')).toBeVisible()

  await go(page, '/side-by-side?runs=demo-19,demo-20')
  // The demo's own benchmark came out alike; this one did not.
  const said = page.getByTestId('score')
  await expect(page.getByTestId('unfair')).toContainText('start level')
  await expect(said).toHaveCount(0)
  await page.getByRole('button', { name: 'Compare all the same' }).click()
  await expect(said.first()).toContainText('Gangway 65 and Hawser 30 can’t be told apart')
  await expect(said.last()).toContainText(
    'Bridge lights 3: Gangway 65 leads; Hawser 30 is behind by at least',
  )
  await page.getByRole('button', { name: 'Under load' }).click()
  // Its battery falls under the load.
  const row = page.getByTestId('results').getByRole('row', { name: /Hawser 30/ })
  await expect(row).toContainText('780 points')
  await expect(row).toContainText(/−\d\.\d\sW/)

  await page.getByRole('button', { name: 'Write it up' }).click()
  await expect(page.getByRole('heading', { name: 'Under load' })).toBeVisible()
  // How well benchmarks repeat goes with it: in another logbook it would be another.
  await expect(page).toHaveURL(/scorePrior=0\.02/)
  await expect(page.getByRole('main').getByText(/Bridge lights 3: Gangway 65 leads/)).toBeVisible()
})

test('on the bench a score without a number is asked about, and one with it is said as it was taken', async ({
  page,
}) => {
  await fillShelf(page)
  await go(page, '/bench')
  await page.getByLabel('Start level').fill('50')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByTestId('elapsed')).toBeVisible()
  await page.getByRole('button', { name: 'Benchmark score' }).click()
  await page.getByLabel('Name and score').fill('crashed')
  await page.getByLabel('Name and score').press('Enter')
  await expect(page.getByText('There is no number in it.')).toBeVisible()
  await page.getByLabel('Name and score').fill('charts 41,5 s')
  await page.getByLabel('Name and score').press('Enter')
  await expect(page.getByText(/Taken as charts, 41\.5\ss; lower is better\./)).toBeVisible()
})
