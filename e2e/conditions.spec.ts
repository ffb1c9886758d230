import { expect, test, type Page } from '@playwright/test'
import { takeIn, withRuns } from './fixture'
import { pick } from './steps'

const condition = (page: Page, field: string) => page.getByTestId(`condition-${field}`)
const putRight = (page: Page) => page.getByRole('region', { name: 'Put right' })

async function changeCapacity(page: Page, to: string, since: string) {
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'Edit Skerry P5 no. 1' }).click()
  await page.getByLabel('or capacity').fill(to)
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await page.getByLabel('Why the change?').fill(`the label says ${to}`)
  await pick(page, 'It holds', since)
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('is on the shelf.')).toBeVisible()
}

test('a run keeps what it was made under; what is put right stays in sight, all of it', async ({ page }) => {
  await takeIn(page, withRuns(1))
  await page.goto('/sheet/r0')
  await expect(condition(page, 'ratedWh')).toContainText('–')

  // The room was forgotten, and then it was misread.
  for (const [to, why] of [
    ['24', 'forgotten'],
    ['21,5', 'the thermometer stood in the sun'],
  ]) {
    await condition(page, 'ambientC').getByRole('button').click()
    await page.getByRole('textbox', { name: 'Room' }).fill(to)
    await page.getByRole('textbox', { name: 'Why' }).fill(why)
    await page.getByRole('button', { name: 'Correct it' }).click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  await expect(condition(page, 'ambientC')).toContainText('21.5')
  await expect(condition(page, 'ambientC')).toContainText('was 24: the thermometer stood in the sun')
  await expect(putRight(page).getByRole('row')).toHaveCount(3)

  // The battery was larger all along; then it is changed for another.
  await changeCapacity(page, '16', 'it was always so: all its runs are put right')
  await page.goto('/sheet/r0')
  await expect(condition(page, 'ratedWh')).toContainText('16')
  await expect(page.getByTestId('figure-Efficiency')).toContainText('of 16.0')
  await changeCapacity(page, '12', 'from now on: runs made before keep what they were made with')
  await page.goto('/sheet/r0')
  await expect(condition(page, 'ratedWh')).toContainText('16')
  await expect(page.getByTestId('figure-Efficiency')).toContainText('of 16.0')
  await expect(putRight(page)).toContainText('the label says 16')
  await expect(putRight(page)).not.toContainText('the label says 12')
})

test('a forgotten reading is put in its place, and a time is put right between its neighbours', async ({
  page,
}) => {
  await takeIn(page, withRuns(1))
  await page.goto('/sheet/r0')
  await page.getByRole('button', { name: 'Readings' }).click()
  await page.getByRole('button', { name: 'Add a forgotten reading' }).click()
  await page.getByRole('textbox', { name: 'Time' }).fill('0:07:30')
  await page.getByRole('textbox', { name: 'Level' }).fill('12')
  await page.getByRole('textbox', { name: 'Why it comes only now' }).fill('on the film')
  await page.getByRole('button', { name: 'Add it' }).click()
  const row = page.getByRole('row', { name: /0:07:30/ })
  await expect(row).toContainText('added: on the film')

  await row.getByRole('button', { name: /Correct the time/ }).click()
  await page.getByRole('textbox', { name: 'Why' }).fill('the film began late')
  await page.getByRole('textbox', { name: 'Right time' }).fill('0:11:00')
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByText('between 0:05:00 and 0:10:00')).toBeVisible()
  // Typing the right time takes the fault away by itself.
  await page.getByRole('textbox', { name: 'Right time' }).fill('0:08:00')
  await expect(page.getByText('between 0:05:00 and 0:10:00')).toHaveCount(0)
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByRole('row', { name: /0:08:00/ })).toContainText('was 0:07:30: the film began late')
  await page.reload()
  await expect(putRight(page).getByRole('row')).toHaveCount(3)
})
