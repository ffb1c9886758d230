import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { openDemo } from './steps'

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

for (const colorScheme of ['light', 'dark'] as const)
  test(`every screen of the demo logbook is usable by all, ${colorScheme}`, async ({ browser }) => {
    const page = await (
      await browser.newContext({ colorScheme, viewport: { width: 390, height: 844 } })
    ).newPage()
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await openDemo(page)
    for (const screen of SCREENS) {
      await page.goto(screen)
      await expect(page.locator('h1')).toBeVisible()
      await page.waitForLoadState('networkidle')
      const axe = new AxeBuilder({ page })
      // The themes differ in their inks alone.
      const { violations } = await (
        colorScheme === 'light'
          ? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
          : axe.withRules(['color-contrast'])
      ).analyze()
      expect(violations.map((v) => `${screen} ${v.id}: ${v.nodes[0].html}`)).toEqual([])
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
      expect(overflow, `${screen} scrolls sideways`).toBeLessThanOrEqual(0)
      // Every screen is within the thumb's reach.
      await expect(page.getByRole('navigation', { name: 'Screens' }).getByRole('link').last()).toBeInViewport(
        {
          ratio: 1,
        },
      )
    }
    expect(errors).toEqual([])
  })

test('side by side stays alive with eight runs, and with three at phone width', async ({ browser }) => {
  for (const [viewport, ids] of [
    [{ width: 1280, height: 800 }, [7, 5, 4, 3, 2]],
    [{ width: 1280, height: 800 }, [1, 2, 3, 4, 5, 6, 7, 8]],
    [{ width: 390, height: 844 }, [2, 3, 4]],
  ] as const) {
    const page = await (await browser.newContext({ viewport })).newPage()
    await openDemo(page)
    await page.goto(`/side-by-side?runs=${ids.map((i) => `demo-${i}`).join()}`)
    await expect(page.getByTestId('results')).toBeVisible()
    // The page answers: a tab that went round for ever would not.
    await expect
      .poll(() => page.evaluate(() => document.querySelectorAll('canvas').length))
      .toBeGreaterThanOrEqual(4)
    await page.context().close()
  }
})
