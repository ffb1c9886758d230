import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import ICAL from 'ical.js'
import { stripLogbook, takeIn } from './fixture'
import { addDevice, addSource, controlClock, go, pick } from './steps'

const NOON = new Date('2026-03-02T12:00:00')

async function fillBigShelf(page: Page) {
  await go(page, '/shelf')
  await addDevice(page, 'Skerry P5', { Capacity: '4200', 'Most it takes': '27' })
  await addDevice(page, 'Skerry P5 Mini', { Capacity: '3150', 'Most it takes': '18' })
  await addDevice(page, 'Thwart T11', { 'or capacity': '28.9', 'Most it takes': '30' })
  await addSource(page, 'Bollard 12', '12', '5V2.4A')
  await addSource(page, 'Hawser 20', '20', '5V3A, 9V2.22A')
  await addSource(page, 'Hawser 30', '30', '5V3A, 9V3A, 15V2A; 3.3–11V 3A adjustable')
  await addSource(page, 'Gangway 65', '65', '5V3A, 9V3A, 15V3A, 20V3.25A')
  await addSource(page, 'Bulkhead outlet', '15', '5V3A')
}

test('five sources on three devices, twice each, on evenings: laid out, dragged, exported, begun', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await controlClock(page, NOON)
  await fillBigShelf(page)
  await go(page, '/plan')
  await page.getByRole('button', { name: /^Same device, many sources/ }).click()
  await expect(page.getByText(/10 runs: 0 done/)).toBeVisible()
  await page.getByRole('button', { name: 'Select all' }).click()
  await expect(page.getByText(/30 runs: 0 done/)).toBeVisible()
  await page.getByLabel('Run Thwart T11 from Bulkhead outlet').uncheck()
  await expect(page.getByText(/28 runs: 0 done/)).toBeVisible()
  await page.getByLabel('Run Thwart T11 from Bulkhead outlet').check()
  await expect(page.getByText(/30 runs: 0 done/)).toBeVisible()
  await expect(page.getByTestId('pair-grid').getByText('generic').first()).toBeVisible()

  // A school, and one of its rules changed; what does not hold is named.
  await page.getByRole('button', { name: 'Protocol', exact: true }).click()
  await pick(page, 'Start from a school', 'Every 10, then every 5')
  await expect(page.getByText(/Steps early in the curve/).first()).toBeVisible()
  await page.getByLabel('Start level').fill('130')
  await page.getByRole('button', { name: 'Keep for this campaign' }).click()
  await expect(page.getByText('The start level must be at most 99 %.').first()).toBeVisible()
  await page.getByLabel('Start level').fill('5')
  await pick(page, 'Stop', 'at a level')
  await page.getByLabel('Stop level').fill('80')
  await page.getByRole('button', { name: 'Keep for this campaign' }).click()
  await expect(page.getByText('The protocol of this campaign is kept.')).toBeVisible()

  await page.getByRole('button', { name: 'Time and means' }).click()
  await page.getByLabel('Lanes at the strip').fill('nine')
  await page.getByLabel('Monday from').fill('25:00')
  await page.getByRole('button', { name: 'Keep and lay out the runs' }).click()
  await expect(page.getByText('The number of lanes must be a number.').first()).toBeVisible()
  await expect(page.getByText('Write the time like 18:30.').first()).toBeVisible()
  await page.getByLabel('Lanes at the strip').fill('3')
  await page.getByLabel('Meters').fill('3')
  await page.getByLabel('Monday from').fill('18:30')
  await page.getByRole('button', { name: 'Keep and lay out the runs' }).click()
  await expect(page.getByText('Time and means are kept.')).toBeVisible()

  await page.getByRole('button', { name: 'Timetable' }).click()
  await expect(page.getByTestId('told')).toContainText(/The campaign ends on/)
  await expect(page.getByTestId('told')).toContainText(/limits? it/)
  await expect(page.getByTestId('told')).toContainText(/would save/)
  await expect(page.locator('[data-run]')).toHaveCount(30)

  // Every device is on one run an evening at most: its drain takes longer than an evening leaves.
  const first = page.locator('[data-run]').first()
  const name = (await first.locator('strong').innerText()).trim()
  const id = await first.getAttribute('data-run')
  const opens = await page.locator('[data-window]').last().getAttribute('data-window')
  const spare = page.locator(`[data-window="${opens}"]`)
  await drag(page, first.locator('.grip'), spare)
  await expect(page.getByText(`${name} was moved.`)).toBeVisible()
  await expect(spare.locator(`[data-run="${id}"]`)).toBeVisible()
  // Back onto an evening that the device spends on another run: refused, with the reason.
  const other = page.locator('[data-window]').nth(1)
  await drag(page, spare.locator(`[data-run="${id}"] .grip`), other)
  await expect(page.getByRole('alert')).toContainText(
    /stays where it was\. .*(drained|charging|repeat|taken|lanes)/,
  )
  await expect(spare.locator(`[data-run="${id}"]`)).toBeVisible()

  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take the calendar file' }).click()
  const file = readFileSync(await (await saving).path(), 'utf8')
  const events = new ICAL.Component(ICAL.parse(file)).getAllSubcomponents('vevent')
  expect(events).toHaveLength(30)

  await page.getByRole('button', { name: 'Progress' }).click()
  await expect(page.getByTestId('progress').getByText('2 missing').first()).toBeVisible()
  await page
    .getByRole('button', { name: /^Carry (Skerry|Thwart).* to the bench$/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible()
  const level = page.getByRole('listitem').filter({ hasText: 'Start level 5 %' }).getByRole('textbox')
  await page.getByRole('button', { name: /^Done: Start level 5 %/ }).click()
  await expect(page.getByText('Give the level.')).toBeVisible()
  await level.fill('6')
  await page.getByRole('button', { name: /^Done: Start level 5 %/ }).click()
  await expect(page.getByText(/done: 6\s%/)).toBeVisible()
  await page.getByRole('button', { name: 'Done: Flight mode: on' }).click()
  await page.getByRole('button', { name: 'Skip: Apps: all closed' }).click()
  await expect(page.getByText(/skipped,/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/skipped,/)).toBeVisible()
  await page.getByRole('button', { name: 'Power on' }).click()
  await expect(page.getByTestId('level')).toHaveText(/6/)
  await expect(page.getByText(/every 10 min, then every 5 min once any lane shows 90 %/)).toBeVisible()

  await page.getByRole('button', { name: 'Stop this run' }).click()
  await page.getByLabel('If it is spoilt, what happened?').fill('the meter fell off')
  await page.getByRole('button', { name: 'Keep as spoilt' }).click()
  await expect(page.getByRole('heading', { name: 'Put back now' })).toBeVisible()
  await page.getByRole('listitem').filter({ hasText: 'Flight mode off again' }).getByRole('button').click()
  await expect(page.getByText('Flight mode off again')).toHaveCount(0)
  await go(page, '/sheet')
  await page
    .getByRole('link', { name: / from / })
    .first()
    .click()
  await expect(page.getByText('Set-up as checked')).toBeVisible()
  await expect(page.getByText(/Apps: all closed.*skipped/)).toBeVisible()
  await go(page, '/plan')
  await page.getByRole('link', { name: /Same device, many sources/ }).click()
  await page.getByRole('button', { name: 'Progress' }).click()
  await expect(page.getByText('2 missing, 1 spoilt')).toBeVisible()
})

async function drag(page: Page, from: ReturnType<Page['locator']>, to: ReturnType<Page['locator']>) {
  await from.scrollIntoViewIfNeeded()
  // Both ends must be on the screen: the page is zoomed out for the pointer's sake only.
  const a = (await from.boundingBox())!
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2)
  await page.mouse.down()
  await page.mouse.move(a.x + a.width / 2 + 12, a.y + a.height / 2 + 12, { steps: 4 })
  await to.evaluate((e) => e.scrollIntoView({ block: 'center' }))
  const b = (await to.boundingBox())!
  await page.mouse.move(b.x + b.width / 2, b.y + 10, { steps: 12 })
  await page.mouse.move(b.x + b.width / 2, b.y + 14, { steps: 4 })
  await page.clock.runFor(400)
  await page.mouse.up()
}

test('what two things agree on, what was seen, and a rating corrected later', async ({ page }) => {
  await fillBigShelf(page)
  await page.getByRole('link', { name: 'What they agree on' }).click()
  const cell = page.getByRole('button', { name: /^Thwart T11 from Gangway 65/ })
  // It states no levels: any open one up to its 30 W is assumed, and shown so.
  await expect(cell).toHaveAccessibleName(/30.W · 15.V, device’s most/)
  await expect(cell.locator('.assumed')).toHaveCount(1)
  await page.getByRole('button', { name: /^Skerry P5 from Bollard 12/ }).click()
  await page.getByRole('button', { name: 'Keep what I saw' }).click()
  await expect(page.getByText('Choose what was seen.')).toBeVisible()
  await pick(page, 'What did you see?', 'refuses')
  await expect(page.getByText(/Expected “charges”, seen “refuses”/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep what I saw' }).click()
  await expect(page.getByRole('heading', { name: 'Seen otherwise than expected' })).toBeVisible()
  await pick(page, 'Show', 'connected, not charging')
  await expect(page.getByText('No pair is like that.')).toBeVisible()

  await go(page, '/bench')
  await pick(page, 'Source', 'Hawser 20')
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await page.getByRole('button', { name: 'Stop this run' }).click()
  await page.getByRole('button', { name: 'Stop and keep' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await go(page, '/shelf')
  await page.getByRole('button', { name: 'Edit Hawser 20' }).click()
  await expect(page.getByLabel('Name')).toBeFocused()
  await page.getByLabel('Rated').fill('22')
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('20 → 22')).toBeVisible()
  await expect(page.getByText(/It touches 1 run: Skerry P5 from Hawser 20/)).toBeVisible()
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('Say why, so that it is known later.')).toBeVisible()
  await page.getByLabel('Why the change?').fill('misread the print')
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('Hawser 20 is on the shelf.')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Edit Hawser 20' }).click()
  await expect(page.getByText(/rated watts was 20, became 22 – misread the print/)).toBeVisible()
})

test('runs are moved without dragging, set aside and brought back; the timetable follows', async ({
  page,
}) => {
  await controlClock(page, NOON)
  await takeIn(page, stripLogbook(3))
  await go(page, '/plan/c?part=timetable')
  await page.getByRole('button', { name: 'Lay out the runs' }).click()
  await expect(page.locator('[data-run]')).toHaveCount(3)
  await expect(page.getByTestId('told')).toContainText('1 stretch of free hours, and no fewer would do')

  const menu = (i: number) =>
    page.getByRole('button', { name: `More for Skerry P5 no. ${i} from Hawser 2${i}, run 1` })
  await menu(1).click()
  await page.getByText('Move to …').click()
  // The dialog takes the cursor as it opens; what is typed before that is lost.
  await expect(page.getByRole('dialog').locator(':focus')).toHaveCount(1)
  await page.getByLabel('Not before').fill('late')
  await expect(page.getByLabel('Not before')).toHaveValue('late')
  await page.getByRole('button', { name: 'Move it' }).click()
  await expect(page.getByText('Write the time like 19:30')).toBeVisible()
  await page.getByLabel('Not before').fill('22:15')
  // The button moves up as the fault goes.
  await expect(page.getByText('Write the time like 19:30')).toBeHidden()
  await page.getByRole('button', { name: 'Move it' }).click()
  await expect(page.getByRole('alert')).toContainText(/no. 1 from Hawser 21 stays where it was\. It needs/)
  await menu(1).click()
  await page.getByText('Move to …').click()
  await pick(page, 'To', /Tue, Mar 3/)
  await page.getByRole('button', { name: 'Move it' }).click()
  await expect(page.getByText('no. 1 from Hawser 21 was moved.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Tue, Mar 3' })).toContainText('no. 1')
  await expect(page.getByTestId('told')).toContainText('2 stretches of free hours, at least 1 is needed')

  // Laid anew, the run put there by hand stays; let go, it moves.
  await page.getByRole('button', { name: 'Lay the open runs anew' }).click()
  await expect(page.getByRole('region', { name: 'Tue, Mar 3' })).toContainText('no. 1')
  await menu(1).click()
  await page.getByText('Let it move again').click()
  await expect(page.getByLabel('put here by hand')).toHaveCount(0)
  await page.getByRole('button', { name: 'Lay the open runs anew' }).click()
  await expect(page.getByRole('region', { name: 'Mon, Mar 2' })).toContainText('no. 1')

  await menu(2).click()
  await page.getByText('Set aside').click()
  await expect(page.locator('[data-run]')).toHaveCount(2)
  await page.getByRole('button', { name: 'Progress' }).click()
  await expect(page.getByText('complete, 1 set aside')).toBeVisible()
  await page.getByRole('button', { name: 'Take it back in' }).click()
  await expect(page.getByText('complete, 1 set aside')).toHaveCount(0)
  await page.reload()
  await expect(page.getByTestId('progress').getByText('1 missing')).toHaveCount(3)
})

test('open forms of a campaign show what another tab keeps, but for what was typed here', async ({
  context,
}) => {
  const [one, other] = [await context.newPage(), await context.newPage()]
  await takeIn(one, stripLogbook(2))
  const both = async (part: string) => {
    for (const tab of [one, other]) {
      await tab.bringToFront()
      await go(tab, `/plan/c?part=${part}`)
    }
  }
  await both('protocol')
  await other.getByLabel('Rest', { exact: true }).fill('33')
  await one.bringToFront()
  await one.getByLabel('Start level').fill('7')
  await one.getByLabel('Rest', { exact: true }).fill('11')
  await one.getByRole('button', { name: 'Keep for this campaign' }).click()
  await other.bringToFront()
  await expect(other.getByLabel('Start level')).toHaveValue('7')
  await expect(other.getByLabel('Rest', { exact: true })).toHaveValue('33')

  await both('means')
  await one.bringToFront()
  await one.getByLabel('Tuesday from', { exact: true }).fill('19:15')
  await one.getByRole('button', { name: 'Keep', exact: false }).first().click()
  await other.bringToFront()
  await expect(other.getByLabel('Tuesday from', { exact: true })).toHaveValue('19:15')
})
