import { expect, test, type Page } from '@playwright/test'
import { stripLogbook, takeIn, withRuns } from './fixture'
import { controlClock, go, pick } from './steps'

/** The next run is not stored. */
const refuseOnce = (page: Page, what = 'runs/') =>
  page.evaluate((what) => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (value: unknown, key?: IDBValidKey) {
      if (!String(key).startsWith(what)) return put.call(this, value, key)
      IDBObjectStore.prototype.put = put
      throw new DOMException('Full', 'QuotaExceededError')
    }
  }, what)

test('the bench offers the same again with the next source: a level and Enter start it', async ({ page }) => {
  await takeIn(page, stripLogbook(3))
  await go(page, '/bench')
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: '10 min' }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByTestId('elapsed')).toBeVisible()
  await page.getByRole('button', { name: 'Add a lane' }).click()
  await expect(page.getByTestId('again')).toBeVisible()
  // The next phone on the next charger: the first of both are in use.
  const form = page.getByRole('form', { name: 'A new lane' })
  await expect(form).toContainText('Hawser 22')
  await expect(page.getByLabel('Start level')).toBeFocused()
  // The wrong phone picked is seen before the clock starts.
  await pick(page, 'Device', 'Skerry P5 no. 1')
  await expect(form.getByRole('status')).toHaveText(/^Skerry P5 no\. 1 is on lane 1 already/)
  await pick(page, 'Device', 'Skerry P5 no. 2')
  await expect(form.getByRole('status')).toHaveText('')
  await page.getByLabel('Start level').fill('7')
  await page.getByLabel('Start level').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('elapsed')).toHaveCount(2)
})

test('Enter starts a lane though its form is still being drawn', async ({ page }) => {
  await takeIn(page, withRuns(1))
  // Turns of the page that take a second each.
  await page.addInitScript(() => {
    const { setTimeout } = window
    window.setTimeout = ((work: TimerHandler, ms = 0, ...rest: unknown[]) =>
      setTimeout(work, ms === 0 ? 1000 : ms, ...rest)) as typeof window.setTimeout
  })
  await go(page, '/bench')
  await expect(page.getByLabel('Start level')).toBeFocused()
  await page.keyboard.type('7')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('elapsed')).toBeVisible()
})

test('a survey goes source after source by Enter alone, fills the grid, and ends in bars', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(3))
  await page.clock.install()
  await go(page, '/bench/survey')
  const told = page.getByTestId('survey-told')
  for (const [source, reading] of [
    ['Hawser 21', '9 2.1'],
    ['Hawser 22', '5,1 0,94'],
    ['Hawser 23', '0'],
  ]) {
    await expect(page.getByRole('heading', { name: source })).toBeVisible()
    await page.getByLabel('Volts and amperes').focus()
    await page.keyboard.press('Enter')
    await page.clock.fastForward(20_000)
    await page.keyboard.type(reading)
    await page.keyboard.press('Enter')
    await expect(told).toContainText('Not settled yet')
    if (source === 'Hawser 22') {
      // A reload in the middle takes up what is in hand.
      await page.reload()
      await expect(told).toContainText('Not settled yet')
      await page.getByLabel('Volts and amperes').focus()
    }
    await page.clock.fastForward(15_000)
    await page.keyboard.type(reading)
    await page.keyboard.press('Enter')
    await expect(told).toContainText('Settled')
    await page.keyboard.press('Enter')
    await expect(page.getByText(`${source} is on record.`)).toBeVisible()
  }
  const bars = page.getByRole('region', { name: 'What they gave' })
  await expect(bars.getByRole('listitem')).toHaveCount(3)
  await expect(bars.getByRole('listitem').first()).toContainText('18.9')
  await expect(bars.getByRole('listitem').nth(1)).toContainText('charges slowly')
  await go(page, '/shelf/pairs')
  await expect(page.getByText('charges slowly').first()).toBeVisible()
  // What is no reading is refused where it is typed.
  await go(page, '/bench/survey')
  await page.getByLabel('Volts and amperes').press('Enter')
  await page.keyboard.type('five volts')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Type volts and amperes, like 5.2 2.34').first()).toBeVisible()
})

test('one tab has the survey, whatever the clock says; another takes up what is in hand once it is left', async ({
  page,
  context,
}) => {
  await takeIn(page, stripLogbook(2))
  await page.clock.install()
  await go(page, '/bench/survey')
  const told = page.getByTestId('survey-told')
  await page.getByLabel('Volts and amperes').press('Enter')
  await page.clock.fastForward(20_000)
  await page.keyboard.type('9 2.1')
  await page.keyboard.press('Enter')
  await expect(told).toContainText('Not settled yet')
  // The machine's clock is set back by an hour: the minute goes on.
  await page.clock.setSystemTime(Date.now() - 3600_000)
  await page.clock.fastForward(5_000)
  await expect(page.getByRole('timer')).toHaveText(/^0:00:2\d$|^0:2\d$/)
  // The store refuses once: the field keeps what was typed, and the same press notes it once.
  await refuseOnce(page, 'survey')
  const field = page.getByLabel('Volts and amperes')
  await field.fill('9 2.2')
  await field.press('Enter')
  await expect(field).toHaveValue('9 2.2')
  await expect(page.getByRole('listitem').filter({ hasText: '2.20' })).toHaveCount(0)
  await field.press('Enter')
  await expect(field).toHaveValue('')
  await expect(page.getByRole('listitem').filter({ hasText: '2.20' })).toHaveCount(1)
  // Left and come back to, in a moment: it is this tab's still.
  await page.getByRole('link', { name: 'Bench' }).first().click()
  await page.waitForURL('**/bench')
  await page.goBack()
  await expect(page.getByTestId('survey-told')).toContainText('ettled')
  await expect(page.getByTestId('elsewhere')).toHaveCount(0)
  const other = await context.newPage()
  await other.goto('/bench/survey')
  await expect(other.getByTestId('elsewhere')).toBeVisible()
  await expect(other.getByLabel('Volts and amperes')).toHaveCount(0)
  await page.close()
  const takenUp = other.getByTestId('survey-told')
  await expect(takenUp).toContainText('Not settled yet')
  await expect(other.getByRole('listitem').filter({ hasText: /2\.[12]0/ })).toHaveCount(2)
  await other.getByLabel('Volts and amperes').fill('9 2.1')
  await other.keyboard.press('Enter')
  await expect(other.getByRole('listitem').filter({ hasText: '2.10' })).toHaveCount(2)
})

test('spot checks of three sources by the meter’s count: 0.42 and 1.63 Wh in 5 min on a 14.1 Wh pack (common practice, no source)', async ({
  page,
}) => {
  const logbook = stripLogbook(3)
  await takeIn(page, { ...logbook, devices: [{ ...logbook.devices[0], capacityWh: 14.1 }], campaigns: [] })
  await controlClock(page)
  await go(page, '/bench')
  await page.getByRole('link', { name: 'spot checks' }).click()
  const level = page.getByLabel('Start level')
  const count = page.getByLabel('The meter’s count')
  // Above half the watts no longer hold.
  await expect(level).toBeFocused()
  await page.keyboard.type('60')
  await page.keyboard.press('Enter')
  await expect(page.getByText('start at 50 % or less')).toBeVisible()
  // A meter that was not set to nothing is asked about, and what it stood at can be typed.
  await level.fill('20')
  await level.press('Enter')
  await expect(count).toBeFocused()
  await page.clock.fastForward(300_000)
  await count.fill('12.4')
  await count.press('Enter')
  await expect(page.getByText(/12\.4 Wh since power-on are more/)).toBeVisible()
  await page.getByRole('button', { name: 'Start this one over' }).click()
  await level.fill('20')
  await page.getByLabel('Count at the start').fill('12,4')
  await page.keyboard.press('Enter')
  await expect(count).toBeFocused()
  await expect(page.getByText('since power-on are more')).toHaveCount(0)
  await page.clock.fastForward(300_000)
  await count.fill('12.82')
  await count.press('Enter')
  await expect(page.getByText('Hawser 21 is on record.')).toBeVisible()
  await expect(page.getByTestId('spot-table').getByRole('row').nth(1)).toContainText(/Hawser 21.*0\.420\sWh/)
  await level.fill('20')
  for (const [source, wh] of [
    ['Hawser 22', '1,63'],
    ['Hawser 23', '0.91'],
  ]) {
    await expect(page.getByRole('combobox', { name: 'Source' })).toHaveValue(source)
    await expect(level).toHaveValue('20')
    await level.focus()
    await page.keyboard.press('Enter')
    await expect(count).toBeFocused()
    if (source === 'Hawser 22') {
      // A reload in the middle is where it was.
      await page.reload()
      await expect(count).toBeVisible()
      await count.focus()
    }
    await page.clock.fastForward(300_000)
    await expect(page.getByText('The time is up')).toBeVisible()
    if (source === 'Hawser 23') {
      await count.press('Enter')
      await expect(page.getByText('Type what the meter has counted')).toBeVisible()
      // The store refuses once: the count is on the lane, and the same press keeps it; nothing is there twice.
      await refuseOnce(page)
      await count.fill('0.905')
      await count.press('Enter')
      await expect(page.getByText(/0\.905\sWh noted at/)).toBeVisible()
      await page.clock.fastForward(10_000)
    }
    await count.fill(wh)
    await page.getByLabel('Level now').fill('20')
    await page.keyboard.press('Enter')
    await expect(page.getByText(`${source} is on record.`)).toBeVisible()
  }
  const rows = page.getByTestId('spot-table').getByRole('row')
  await expect(rows).toHaveCount(4)
  await expect(rows.nth(1)).toContainText(/Hawser 22.*1\.630\sWh.*22\smin/)
  // It was read ten seconds later.
  await expect(rows.nth(2)).toContainText(/Hawser 23.*0\.910\sWh.*4[01]\smin/)
  await expect(rows.nth(3)).toContainText(/Hawser 21.*0\.420\sWh.*1\sh\s2[45]\smin/)
  await page.getByRole('link', { name: 'Hawser 22' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
  await expect(page.getByText('At this rate half full after')).toBeVisible()
})

test('an energy budget: charges in a bank, a pack for some, hours of a use (3 Wh in 10 min are 18 W, common practice, no source)', async ({
  page,
}) => {
  await takeIn(page, stripLogbook(1))
  await go(page, '/shelf/budget')
  const told = page.getByTestId('budget')
  // 15 Wh with four fifths arriving: 18.75 Wh at the meter.
  await expect(told).toContainText(/18\.8.Wh/)
  await page.getByLabel('Pack holds').fill('75')
  await page.getByLabel('of which is usable').fill('80')
  await page.getByLabel('A use takes').fill('3')
  await page.getByLabel('in', { exact: true }).fill('10')
  // 60 Wh usable: 3.2 charges, 3 h 20 min at 18 W.
  await expect(told).toContainText('3.2')
  await expect(told).toContainText(/18\.0.W/)
  await expect(told).toContainText(/3.h.20.min/)
  await page.getByLabel('of which is usable').fill('180')
  await expect(page.getByText('Above 0 and up to 100.')).toBeVisible()
})
