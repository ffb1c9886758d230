import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { readLogbook } from '@core/formats/logbookJson'
import { longNamed, takeIn } from './fixture'
import { go, openDemo } from './steps'

const SCREENS = [
  '/shelf',
  '/shelf/pairs',
  '/shelf/budget',
  '/plan',
  '/plan/demo-campaign?part=pairs',
  '/plan/demo-campaign?part=protocol',
  '/plan/demo-campaign?part=means',
  '/plan/demo-campaign?part=timetable',
  '/plan/demo-campaign?part=progress',
  '/bench',
  '/bench/survey',
  '/bench/spot',
  '/sheet',
  '/sheet/demo-4',
  '/side-by-side?runs=demo-1,demo-3,demo-5',
  '/side-by-side/replay?runs=demo-1,demo-3,demo-5',
  '/write-up',
  '/how',
  '/files',
]

/** What lies over the words of a button or a field, and shows nothing until it is pointed at: axe gives up below it. */
const OVER = ['.v-btn__overlay', '.v-btn__underlay', '.v-field__overlay', '.v-field__outline']
/** What axe finds on the page as it stands; it looks into no frame of another origin, so it need not open a page for that. */
async function axe(page: Page, by: { tags: string[] } | { rules: string[] }) {
  await page.addStyleTag({ content: `${OVER.join()} { display: none !important }` })
  const look = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] })
  return ('tags' in by ? look.withTags(by.tags) : look.withRules(by.rules)).analyze()
}
/** The demo logbook, as the server gives it out. */
const demoOf = async (page: Page) => readLogbook(await (await page.request.get('/api/demo-logbook')).text())
/** Until the page has stood as it is for a third of a second: what comes late has come. */
const still = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const done = () => (watch.disconnect(), resolve())
        let quiet = setTimeout(done, 333)
        const watch = new MutationObserver(() => {
          clearTimeout(quiet)
          quiet = setTimeout(done, 333)
        })
        watch.observe(document.body, { subtree: true, childList: true, characterData: true })
      }),
  )
const named = (screen: string, { violations }: Awaited<ReturnType<AxeBuilder['analyze']>>) =>
  violations.map((v) => `${screen} ${v.id}: ${v.nodes[0].html}`)

// In two halves, side by side.
for (const half of [0, 1])
  test(`every screen is usable by all, by day and by night, on the narrowest phone, whatever gear is called: half ${half + 1}`, async ({
    browser,
  }) => {
    const page = await (
      await browser.newContext({ colorScheme: 'light', viewport: { width: 320, height: 640 } })
    ).newPage()
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await takeIn(page, longNamed(await demoOf(page)))
    for (const screen of SCREENS.filter((_, i) => i % 2 === half)) {
      await page.emulateMedia({ colorScheme: 'light' })
      await go(page, screen)
      await expect(page.locator('h1')).toBeVisible()
      await still(page)
      const byDay = await axe(page, { tags: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] })
      expect(named(screen, byDay)).toEqual([])
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
      expect(overflow, `${screen} scrolls sideways`).toBeLessThanOrEqual(0)
      // Every screen is within the thumb's reach.
      const screens = page.getByRole('navigation', { name: 'Screens' }).getByRole('link')
      await expect(screens.last()).toBeInViewport({ ratio: 1 })
      // The themes differ in their inks alone.
      await page.emulateMedia({ colorScheme: 'dark' })
      await expect(page.locator('.v-theme--night').first()).toBeVisible()
      expect(named(screen, await axe(page, { rules: ['color-contrast'] }))).toEqual([])
    }
    expect(errors).toEqual([])
  })

/** Where nothing is yet, or no longer: each says so, and where to go on. */
const EMPTY = [
  '/shelf',
  '/shelf/pairs',
  '/shelf/budget',
  '/plan',
  '/plan/gone',
  '/bench',
  '/bench/spot',
  '/bench/survey',
  '/sheet',
  '/sheet/gone',
  '/side-by-side',
  '/side-by-side/replay?runs=gone',
  '/write-up',
  '/write-up/gone',
  '/files',
]
test('every screen without anything to show can be read, by day and by night', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  for (const screen of EMPTY) {
    await page.emulateMedia({ colorScheme: 'light' })
    await go(page, screen)
    await expect(page.locator('h1, h2').first()).toBeVisible()
    await still(page)
    expect(named(screen, await axe(page, { tags: ['wcag2a', 'wcag2aa'] }))).toEqual([])
    await page.emulateMedia({ colorScheme: 'dark' })
    await expect(page.locator('.v-theme--night').first()).toBeVisible()
    expect(named(screen, await axe(page, { rules: ['color-contrast'] }))).toEqual([])
  }
})

test('side by side stays alive with eight runs, and with three at phone width', async ({ browser }) => {
  for (const [viewport, ids] of [
    [{ width: 1280, height: 800 }, [7, 5, 4, 3, 2]],
    [{ width: 1280, height: 800 }, [1, 2, 3, 4, 5, 6, 7, 8]],
    [{ width: 390, height: 844 }, [2, 3, 4]],
  ] as const) {
    const page = await (await browser.newContext({ viewport })).newPage()
    await openDemo(page)
    await go(page, `/side-by-side?runs=${ids.map((i) => `demo-${i}`).join()}`)
    await expect(page.getByTestId('results')).toBeVisible()
    // The page answers: a tab that went round for ever would not.
    await expect
      .poll(() => page.evaluate(() => document.querySelectorAll('canvas').length))
      .toBeGreaterThanOrEqual(4)
    await page.context().close()
  }
})

test('what the Tab key leads to on a phone is seen, not under the bar of screens', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await openDemo(page)
  // As text: in view at its middle or at a corner, and nothing of the page's own lies over it there.
  const hidden = `(() => {
    const at = document.activeElement
    if (!at || at === document.body) return ''
    const { left, top, right, bottom, width, height } = at.getBoundingClientRect()
    const seen = [[left + width / 2, top + height / 2], [left + 3, top + 3], [right - 3, bottom - 3]].some(([x, y]) => {
      const over = document.elementFromPoint(x, y)
      return over && (at.contains(over) || over.contains(at) || over.closest('.v-input')?.contains(at))
    })
    return seen ? '' : at.getAttribute('aria-label') || at.textContent
  })()`
  for (const screen of ['/shelf', '/sheet/demo-1']) {
    await go(page, screen)
    await page.getByRole('link', { name: 'How it works out its numbers' }).waitFor()
    for (const key of ['Tab', 'Shift+Tab'])
      for (let i = 0; i < 34; i++) {
        await page.keyboard.press(key)
        expect(await page.evaluate(hidden), `${screen}, ${key} ${i + 1}`).toBe('')
      }
  }
})
