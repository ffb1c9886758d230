import { expect, test, type Page } from '@playwright/test'
import { rigAll, stripLogbook, takeIn } from './fixture'
import { controlClock, go, pick } from './steps'

const EVENING = new Date('2026-03-02T18:40:00')
/** How far down the page the lowest of them reaches, px. */
const bottomOf = (page: Page, selector: string) =>
  page.locator(selector).evaluateAll((all) => Math.max(...all.map((e) => e.getBoundingClientRect().bottom)))

test('eight lanes on one strip: what holds for all is ticked once, and all stand in sight', async ({
  page,
}) => {
  await controlClock(page, EVENING)
  await takeIn(page, stripLogbook(8))
  await rigAll(page, 8)
  const shared = page.getByRole('region', { name: 'For all lanes' })
  await shared.getByRole('button', { name: /^Done: Flight mode/ }).click()
  await expect(shared.getByRole('button', { name: /^Change: Flight mode/ })).toBeVisible()
  await page.getByRole('button', { name: 'All is done that only wants a tick' }).click()
  // What asks for a figure stays open, and what each device shows is its own.
  await expect(shared.getByRole('button', { name: /^Done: / })).toHaveCount(1)
  await expect(page.getByRole('button', { name: /^Done: Start level 5 %/ })).toHaveCount(8)
  await page.getByRole('button', { name: 'Power on' }).click()
  await expect(page.getByTestId('elapsed')).toHaveCount(8)
  await page.setViewportSize({ width: 1280, height: 800 })
  await expect.poll(() => bottomOf(page, '.tile')).toBeLessThanOrEqual(800)

  // A whole entry in one line, the battery's end with it.
  await page.keyboard.type('6 18,9 7.2')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Noted at .*: 6.%, 18.9.W, 7.2.W/)).toBeVisible()
  await page.keyboard.type('7 18 3 4 5')
  await page.keyboard.press('Enter')
  await expect(page.getByText('There are more numbers than fields.')).toBeVisible()
  await page.keyboard.press('Escape')

  await page.keyboard.press('x')
  await expect(page.getByText('Unplugged since')).toHaveCount(1)
  await page.keyboard.press('g')
  await expect(page.getByText('Unplugged since')).toHaveCount(0)
})

test('four lanes on a phone: every level and countdown above the entry and its pad, nothing scrolled', async ({
  browser,
}) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  })
  const page = await context.newPage()
  await controlClock(page, EVENING)
  await takeIn(page, stripLogbook(4))
  await rigAll(page, 4)
  await page.getByRole('button', { name: 'Power on' }).tap()
  await expect(page.getByTestId('countdown')).toHaveCount(4)
  await page.evaluate(() => window.scrollTo(0, 0))
  expect(await bottomOf(page, '.tile')).toBeLessThan(470)
  const bar = await page.getByRole('navigation', { name: 'Screens' }).boundingBox()
  await expect.poll(() => bottomOf(page, '.pad button')).toBeLessThanOrEqual(bar!.y)
  await context.close()
})

test('a lane of its own reads at its own minutes, and asks for temperatures', async ({ page }) => {
  await controlClock(page, EVENING)
  await takeIn(page, stripLogbook(1))
  await go(page, '/bench')
  await pick(page, 'Source', 'Hawser 21')
  await page.getByRole('button', { name: 'own minutes' }).click()
  await page.getByRole('group', { name: 'Read every' }).getByLabel('At minutes').fill('5, 12')
  await page.getByRole('group', { name: 'Temperatures' }).getByLabel('At minutes').fill('5')
  await page.getByLabel('Start level').fill('5')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Say both at which minutes and where')).toBeVisible()
  await page.getByLabel('Where').fill('back')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('countdown')).toHaveText(/^(5:00|4:\d\d)$/)
  // Started, it does not stand on the strip as well.
  await expect(page.getByRole('region', { name: 'On the strip' })).toHaveCount(0)
  await page.clock.fastForward(300_000)
  await expect(page.getByLabel('Temperature, back')).toBeVisible()
  await page.keyboard.type('9 18')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('countdown')).toHaveText(/^(7:00|6:\d\d)$/)
})

test('two tabs rig one strip: each sees what the other puts on, and none is forgotten', async ({
  page,
  context,
}) => {
  await takeIn(page, stripLogbook(2))
  const other = await context.newPage()
  for (const tab of [page, other]) {
    await go(tab, '/bench')
    await expect(tab.getByRole('button', { name: 'Put it on the strip' })).toBeVisible()
  }
  const rig = async (tab: Page, level: string) => {
    await tab.getByLabel('Start level').fill(level)
    await tab.getByRole('button', { name: 'Put it on the strip' }).click()
  }
  await rig(page, '5')
  await expect(page.getByRole('button', { name: 'Power on' })).toBeVisible()
  await expect(other.getByRole('button', { name: 'Power on' })).toBeVisible()
  await other.getByRole('button', { name: 'Add a lane' }).click()
  await rig(other, '6')
  for (const tab of [page, other])
    await expect(tab.getByRole('button', { name: 'Take it off' })).toHaveCount(2)
  await page.reload()
  await expect(page.getByRole('button', { name: 'Take it off' })).toHaveCount(2)
})
