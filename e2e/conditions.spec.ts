import { expect, test, type Page } from '@playwright/test'
import { blankSource } from '@core/gear/blanks'
import { emptyLogbook } from '@core/logbook/logbook'
import { stripLogbook, takeIn, withRuns } from './fixture'
import { go, openedAt, pick } from './steps'

const condition = (page: Page, field: string) => page.getByTestId(`condition-${field}`)
const putRight = (page: Page) => page.getByRole('region', { name: 'Put right' })

async function changeCapacity(page: Page, to: string, since: string) {
  await go(page, '/shelf')
  await page.getByRole('button', { name: 'Edit Skerry P5 no. 1' }).click()
  // The form takes the cursor to its first field as it opens.
  await expect(page.getByLabel('Name')).toBeFocused()
  await page.getByLabel('or capacity').fill(to)
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  // Asked for at once, also where it stands below the fold; later it would take the cursor from the next field.
  await expect(page.getByLabel('Why the change?')).toBeFocused()
  await page.getByLabel('Why the change?').fill(`the label says ${to}`)
  await pick(page, 'It holds', since)
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('is on the shelf.')).toBeVisible()
}

test('a run keeps what it was made under; what is put right stays in sight, all of it', async ({ page }) => {
  await takeIn(page, withRuns(1))
  await go(page, '/sheet/r0')
  await expect(condition(page, 'ratedWh')).toContainText('–')

  // The room was forgotten, and then it was misread.
  for (const [to, why] of [
    ['24', 'forgotten'],
    ['21,5', 'the thermometer stood in the sun'],
  ]) {
    await condition(page, 'ambientC').getByRole('button').click()
    await openedAt(page, 'Room')
    await page.getByRole('textbox', { name: 'Room' }).fill(to)
    await page.getByRole('textbox', { name: 'Why' }).fill(why)
    await page.getByRole('button', { name: 'Correct it' }).click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  await expect(condition(page, 'ambientC')).toContainText('21.5')
  await expect(condition(page, 'ambientC')).toContainText(/was 24\s°C: the thermometer stood in the sun/)
  await expect(putRight(page).getByRole('row')).toHaveCount(3)

  // It was to stop at a level, which nobody had told the program.
  await condition(page, 'stop').getByRole('button').click()
  await pick(page, 'Stop', 'at a level')
  await page.getByRole('textbox', { name: 'Stop level' }).fill('100,5')
  await page.getByRole('textbox', { name: 'Why' }).fill('as the notebook has it')
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByText('The stop rule does not hold')).toBeVisible()
  await page.getByRole('textbox', { name: 'Stop level' }).fill('92,5')
  await expect(page.getByText('The stop rule does not hold')).toHaveCount(0)
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(condition(page, 'stop')).toContainText('at 92.5 %')
  await page.reload()
  await expect(condition(page, 'stop')).toContainText('as the notebook has it')

  // The battery was larger all along; then it is changed for another.
  await changeCapacity(page, '16', 'it was always so: all its runs are put right')
  await go(page, '/sheet/r0')
  await expect(condition(page, 'ratedWh')).toContainText('16')
  await expect(page.getByTestId('figure-Efficiency')).toContainText('of 16.0')
  await changeCapacity(page, '12', 'from now on: runs made before keep what they were made with')
  await go(page, '/sheet/r0')
  await expect(condition(page, 'ratedWh')).toContainText('16')
  await expect(page.getByTestId('figure-Efficiency')).toContainText('of 16.0')
  await expect(putRight(page)).toContainText('the label says 16')
  await expect(putRight(page)).not.toContainText('the label says 12')
})

test('a forgotten reading is put in its place, and a time is put right between its neighbours', async ({
  page,
}) => {
  await takeIn(page, withRuns(1))
  await go(page, '/sheet/r0')
  await page.getByRole('button', { name: 'Readings' }).click()
  await page.getByRole('button', { name: 'Add a forgotten reading' }).click()
  await openedAt(page, 'Time')
  await page.getByRole('textbox', { name: 'Time' }).fill('0:07:30')
  await page.getByRole('textbox', { name: 'Level' }).fill('12')
  await page.getByRole('textbox', { name: 'Why it comes only now' }).fill('on the film')
  await page.getByRole('button', { name: 'Add it' }).click()
  const row = page.getByRole('row', { name: /0:07:30/ })
  await expect(row).toContainText('added: on the film')

  // The dialog before it has a "Why" too, until it is gone.
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await row.getByRole('button', { name: /Correct the time/ }).click()
  await openedAt(page, 'Right time')
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

test('a temperature is put right, and stays on record', async ({ page }) => {
  const logbook = withRuns(1)
  logbook.runs[0].trace.temperatures = { back: logbook.runs[0].trace.time.map((_, i) => 24 + i / 2) }
  await takeIn(page, logbook)
  await go(page, '/sheet/r0')
  await page.getByRole('button', { name: 'Readings' }).click()
  await page.getByRole('button', { name: /^Correct back, °C at 0:05:00, now 24.5/ }).click()
  await openedAt(page, 'Right value')
  await page.getByLabel('Right value').fill('151')
  await page.getByLabel('Why').fill('misread')
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByRole('dialog').getByText(/150/)).toBeVisible()
  await page.getByLabel('Right value').fill('26,5')
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(page.getByText(/was 24\.5\s°C: misread/)).toBeVisible()
  await page.reload()
  await expect(putRight(page)).toContainText('Temperature, back at 0:05:00')
  await expect(putRight(page)).toContainText('24.5 °C')

  // Whoever reads °F finds all of it in °F, and types it.
  await go(page, '/files')
  await pick(page, 'Temperatures', '°F')
  const screens = page.getByRole('navigation', { name: 'Screens' })
  await screens.getByRole('link', { name: 'Sheet' }).click()
  await page
    .getByRole('link', { name: / from Hawser/ })
    .first()
    .click()
  await expect(putRight(page)).toContainText(/76\.1\s°F/)
  await page.getByRole('button', { name: 'Readings' }).click()
  await expect(page.getByText(/was 76\.1\s°F: misread/)).toBeVisible()
  await page.getByRole('button', { name: /^Correct back, °F at 0:05:00, now 79.7/ }).click()
  await openedAt(page, 'Right value')
  await page.getByLabel('Right value').fill('400')
  await page.getByLabel('Why').fill('read once more')
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByRole('dialog').getByText(/at most 302\s°F/)).toBeVisible()
  await page.getByLabel('Right value').fill('77')
  await page.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByText(/was 79\.7\s°F: read once more/)).toBeVisible()
})

test('a pad behind a small brick: what passes is expected, and the run says what it was fed from', async ({
  page,
}) => {
  const { devices, sources } = stripLogbook(1)
  const pad = blankSource({
    id: 'bp',
    name: 'Binnacle pad',
    kind: 'wireless pad',
    ratedWatts: 15,
    takes: '5V3A, 9V3A',
    efficiencyPercent: 50,
    fedFromId: 's1',
  })
  const phone = { ...devices[0], wirelessWatts: 15 }
  await takeIn(page, { ...emptyLogbook(), devices: [phone], sources: [...sources, pad] })

  await go(page, '/shelf')
  await page.getByRole('button', { name: 'Delete Hawser 21' }).click()
  await expect(page.getByText(/It is used by the source Binnacle pad/)).toBeVisible()

  await go(page, '/bench')
  await pick(page, 'Source', 'Binnacle pad')
  // 9 V 2.22 A reach the pad, half of that the phone.
  await expect(page.getByText(/Expect up to 10\.0\sW, 20\.0\sW at the meter/)).toBeVisible()
  await pick(page, 'Fed from', 'not recorded')
  await expect(page.getByText('Expect up to 15.0 W')).toBeVisible()
  await pick(page, 'Fed from', 'Hawser 21')
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  // The meter stands before the pad: what it loses there is no question, more than it can get is.
  await page.getByLabel('Power', { exact: true }).fill('19.8')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: /Noted at .*19\.8\sW/ })).toBeVisible()
  await page.getByLabel('Power', { exact: true }).fill('26')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Press Enter again to keep it')).toBeVisible()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Stop this run' }).click()
  await page.getByRole('button', { name: 'Stop and keep' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await expect(page.getByTestId('condition-fedFromId')).toContainText('Hawser 21')
})
