import { expect, test } from '@playwright/test'
import { pick } from './steps'

test('side by side answers in a sentence, ranks with its ±, and refuses where it would not be fair', async ({
  page,
}) => {
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'Look at the demo logbook' }).click()
  await expect(page.getByRole('button', { name: 'Edit Taffrail L14' })).toBeVisible()
  await page.goto('/side-by-side?runs=demo-2,demo-3,demo-4,demo-5,demo-7')
  const verdict = page.getByTestId('verdict')
  await expect(verdict).toContainText('Hawser 30, Gangway 100 and Hawser 20 can’t be told apart')
  // Of those in the drawer that do as well, the cheapest.
  await expect(verdict).toContainText('You own Hawser 20: keep it.')
  const ranking = page.getByRole('region', { name: 'Ranking' })
  await expect(ranking.getByRole('listitem')).toHaveCount(5)
  await expect(ranking.getByTestId('place-clear').last()).toContainText('Gangway 65')

  await page.getByRole('button', { name: '15 min' }).click()
  await expect(verdict).toContainText('In 15 minutes')
  await page.reload()
  await expect(verdict).toContainText('In 15 minutes')

  // Start levels that differ stop the verdict until it is accepted, or the clocks are set to a common level.
  await page.goto('/side-by-side?runs=demo-1,demo-8')
  await expect(page.getByTestId('unfair')).toContainText('start level')
  await expect(ranking).toHaveCount(0)
  await page.getByRole('button', { name: 'Compare all the same' }).click()
  await expect(page.getByText('Compared although these differ: start level.')).toBeVisible()
  await expect(page.getByTestId('fairness').getByRole('row', { name: /^Start level differs/ })).toBeVisible()
  await page.goto('/side-by-side?runs=demo-1,demo-8&goal=half')
  await page.getByRole('button', { name: 'Set the clocks to a common level' }).click()
  await expect(verdict).toContainText('To half')
  await pick(page, 'Clocks', 'from power-on')
  await expect(page.getByTestId('unfair')).toBeVisible()
})
