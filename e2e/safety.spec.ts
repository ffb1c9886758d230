import { expect, test, type Page } from '@playwright/test'
import { copied, isBack, KilledBrowser, LOSE_ALL, readStorage } from './browser'
import { rigAll, stripLogbook, takeIn, takeInShelf } from './fixture'
import { controlClock, elapsedSeconds, startByHand, startSimulated, typeReading } from './steps'

const journals = async (page: Page) => (await readStorage(page)).journals

/** `npm run kills` kills it more often. */
const KILLS = Number(process.env.KILLS ?? 6)

test('a browser killed again and again loses no more than the last second, on five lanes', async ({
  baseURL,
}) => {
  test.setTimeout(120_000 + KILLS * 15_000)
  const browser = new KilledBrowser(test.info().project.use.launchOptions!, baseURL!)
  try {
    let page = await browser.start()
    await takeIn(page, stripLogbook(5))
    let number = await copied(page)
    await rigAll(page, 5)
    for (const card of await page.getByRole('article').all()) {
      await card.getByRole('button', { name: 'a simulated meter and battery' }).click()
      await card.getByRole('button', { name: '1×', exact: true }).click()
    }
    await page.getByRole('button', { name: 'Power on' }).click()
    const poweredOn = Date.now()
    await expect(page.getByTestId('elapsed')).toHaveCount(5)
    /** Seconds on the lanes' clock at which they were followed, each until its kill. */
    const watched: [from: number, to: number][] = []
    let from = 0
    for (let kill = 0; kill < KILLS; kill++) {
      await page.waitForTimeout(Math.random() * 2200)
      const killedAt = await page.evaluate(() => document.querySelector('[data-testid=elapsed]')!.textContent)
      await browser.kill()
      if (LOSE_ALL) browser.deleteDatabase()
      watched.push([from, seconds(killedAt!)])
      page = await browser.start()
      await page.goto('/bench')
      await isBack(page, page.getByTestId('elapsed'), number)
      number = await copied(page)
      await expect(page.getByTestId('elapsed')).toHaveCount(5)
      from = await elapsedSeconds(page)
    }
    const { journals } = await readStorage(page)
    expect(journals).toHaveLength(5)
    for (const times of journals) {
      expect(new Set(times).size).toBe(times.length)
      const there = new Set(times)
      for (const [begin, end] of watched)
        // A second after the bench was back, and up to the second before the kill, nothing is missing.
        for (let t = begin + 2; t < end; t++)
          expect(there.has(t), `second ${t} of ${begin} to ${end}`).toBe(true)
    }
    const before = await elapsedSeconds(page)
    // As many restarts later the lanes' clock still tells the time since power-on.
    expect(Math.abs((Date.now() - poweredOn) / 1000 - before)).toBeLessThan(5)
    await page.getByRole('button', { name: 'Stop this run' }).first().click()
    await page.getByRole('button', { name: 'Stop and keep' }).click()
    await expect(page.getByTestId('elapsed')).toHaveCount(4)
    await page.goto('/sheet')
    await page
      .getByRole('link', { name: / from Hawser/ })
      .first()
      .click()
    await expect(page.getByTestId('sentence')).toBeVisible()
  } finally {
    await browser.end()
  }
})

const seconds = (clock: string): number => {
  const [h, m, s] = clock.split(':').map(Number)
  return h * 3600 + m * 60 + s
}

test('a second tab watches, is told so, and takes over when the first is closed', async ({ context }) => {
  const first = await context.newPage()
  await takeInShelf(first)
  await startSimulated(first, 'Bollard 12', '5', '60×')
  const second = await context.newPage()
  await second.goto('/bench')
  await expect(second.getByText(/Another tab of this program holds the bench/)).toBeVisible()
  const seen = await elapsedSeconds(second)
  await expect.poll(() => elapsedSeconds(second)).toBeGreaterThan(seen)
  await expect(second.getByRole('button', { name: 'Stop this run' })).toHaveCount(0)
  await expect(second.getByText(/read \d+.s ago|read \d+.min ago/)).toBeVisible()
  const count = (await journals(first))[0].length
  await first.close()
  await expect(second.getByRole('button', { name: 'Stop this run' })).toBeVisible()
  await expect(second.getByText(/Another tab/)).toHaveCount(0)
  await expect.poll(async () => (await journals(second))[0].length).toBeGreaterThan(count)
})

test('full storage raises the alarm, keeps logging, and the file holds every reading', async ({
  page,
  context,
  baseURL,
}) => {
  test.setTimeout(150_000)
  await controlClock(page)
  await takeInShelf(page)
  await startByHand(page, 'Bollard 12', '5')
  await page.clock.fastForward(300_000)
  await typeReading(page, '11', '11.8')
  const cdp = await context.newCDPSession(page)
  await cdp.send('Storage.overrideQuotaForOrigin', { origin: baseURL!, quotaSize: 1000 })
  // The browser reckons with the room it saw last for half a minute.
  await page.waitForTimeout(32_000)
  await page.clock.fastForward(300_000)
  // What was refused stays in sight; Enter tries to store it again and notes nothing twice.
  const type = async (percent: string, watts: string) => {
    for (const text of [percent, watts]) {
      await page.keyboard.type(text)
      await page.keyboard.press('Enter')
    }
  }
  await type('17', '11.7')
  const alarm = page.getByRole('alert').filter({ hasText: 'storage is full' })
  await expect(alarm).toBeVisible()
  await expect(page.getByText(/but the browser refused to store it/)).toBeVisible()
  await expect(page.getByLabel('Level')).toHaveValue('17')
  await page.getByRole('button', { name: 'Store it now' }).click()
  await expect(page.getByText(/but the browser refused to store it/)).toBeVisible()
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take the files now' }).click()
  const stream = await (await saving).createReadStream()
  let text = ''
  for await (const chunk of stream) text += chunk
  const levels = text.trim().split('\n').slice(1).map((line) => Number(line.split(',')[1])) // prettier-ignore
  expect(levels).toEqual([5, 11, 17])
  // Space is back: what waited is stored, and the alarm goes.
  await cdp.send('Storage.overrideQuotaForOrigin', { origin: baseURL! })
  await page.clock.fastForward(6_000)
  await expect(alarm).toHaveCount(0)
  await expect(page.getByRole('status').filter({ hasText: /Noted at .*17/ })).toBeVisible()
  await expect(page.getByLabel('Level')).toHaveValue('')
  expect((await journals(page))[0]).toHaveLength(3)
})

test('a machine’s clock set back by an hour changes no elapsed time, and is named; after a restart too', async ({
  page,
}) => {
  await takeInShelf(page)
  await startByHand(page, 'Bollard 12', '5')
  const before = await elapsedSeconds(page)
  await setClock(page, -3_600_000)
  await expect(page.getByText(/clock was moved back by 60 min/)).toBeVisible()
  const after = await elapsedSeconds(page)
  expect(after - before).toBeLessThan(20)
  expect(after).toBeGreaterThanOrEqual(before)

  // Closed, the clock put forward by two hours, opened again.
  await page.addInitScript(() => {
    const real = Date.now.bind(Date)
    const shift = 3_600_000
    Date.now = () => real() + shift
  })
  await page.reload()
  await expect(
    page.getByText(/clock was moved forward by (60|120) min while the program was closed/),
  ).toBeVisible()
  const resumed = await elapsedSeconds(page)
  expect(resumed).toBeGreaterThanOrEqual(after)
  expect(resumed - after).toBeLessThan(30)
})

test('a machine that slept is told from a clock that was set, and its sleep is counted', async ({ page }) => {
  let uptimeS = 5000
  const began = Date.now()
  await page.route('**/api/clock', (route) =>
    route.fulfill({ json: { uptimeS: uptimeS + (Date.now() - began) / 1000 } }),
  )
  await takeInShelf(page)
  await startByHand(page, 'Bollard 12', '5')
  uptimeS += 1200
  await setClock(page, 1_200_000)
  await expect(page.getByText(/This machine slept for 20 min/)).toBeVisible()
  await expect.poll(() => elapsedSeconds(page)).toBeGreaterThanOrEqual(1200)
  expect(await elapsedSeconds(page)).toBeLessThan(1260)
})

/** Moves what the page is told of the machine's clock; its own clock goes on. */
const setClock = (page: Page, byMs: number) =>
  page.evaluate((shift) => {
    const real = Date.now.bind(Date)
    Date.now = () => real() + shift
  }, byMs)

test.describe('offline', () => {
  test.use({ serviceWorkers: 'allow' })
  test('the program opens without its server, and the bench goes on', async ({ page, context }) => {
    await takeInShelf(page)
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await startByHand(page, 'Bollard 12', '5')
    await context.setOffline(true)
    await page.reload()
    await expect(page.getByTestId('elapsed')).toBeVisible()
    await page.goto('/shelf')
    await expect(page.getByRole('button', { name: 'Edit Bollard 12' })).toBeVisible()
    await context.setOffline(false)
  })
})

test('a part of the program that cannot be loaded says so, and comes once it can', async ({ page }) => {
  await takeInShelf(page)
  await page.route('**/assets/**', (route) => route.abort())
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Plan' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'could not be loaded' })).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Files')
  await page.unroute('**/assets/**')
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Plan' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Plan')
})

test('a program that cannot be loaded whole says so, and shows no empty page', async ({ page }) => {
  await page.route(/assets\/(App|TopBar)/, (route) => route.abort())
  await page.goto('/shelf')
  await expect(page.getByText('could not be loaded')).toBeVisible()
})
