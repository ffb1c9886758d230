import { expect, type Page } from '@playwright/test'

/** Steps a reviewer takes, in the words of the screens. */

/**
 * To another screen as a link within the program leads there, which costs a fraction of loading it anew. Where the program
 * is not open yet, or stands there already, it is loaded.
 */
export async function go(page: Page, path: string) {
  const base = page.url()
  const within =
    base.startsWith('http') &&
    new URL(path, base).href !== base &&
    (await page.evaluate(async (to) => {
      interface Mounted extends Element {
        __vue_app__?: {
          config: { globalProperties: { $router: { push: (to: string) => Promise<unknown> } } }
        }
      }
      const router = document.querySelector<Mounted>('#app')?.__vue_app__?.config.globalProperties.$router
      await router?.push(to)
      return router !== undefined
    }, path))
  if (!within) await page.goto(path)
}

/** A dialog takes the cursor to its first field as it opens: what is typed before that lands there. */
export const openedAt = (page: Page, label: string) =>
  expect(page.getByRole('dialog').getByRole('textbox', { name: label })).toBeFocused()

/** A clock that the test moves. The machine's own clock since start-up would tell that it was moved. */
export async function controlClock(page: Page, time?: Date) {
  await page.route('**/api/clock', (route) => route.abort())
  await page.clock.install(time ? { time } : undefined)
}

/**
 * A form that takes the cursor to a field of its own as it opens may close a list again, and a list that is still opening
 * may swallow the press on its option: what is chosen is what then stands there.
 */
export async function pick(page: Page, label: string, option: string | RegExp) {
  const choice = page.getByRole('option', { name: option, exact: true })
  const list = page.getByRole('combobox', { name: label }).first()
  await expect(async () => {
    if (!(await choice.isVisible())) await list.press('Enter', { timeout: 5000 })
    await choice.click({ timeout: 3000 })
    await expect(list).toHaveValue(option, { timeout: 2000 })
  }).toPass()
}

/** A shelf, runs and a plan of the demo, all of it taken in. */
export async function openDemo(page: Page) {
  await go(page, '/shelf')
  await page.getByRole('button', { name: 'Look at the demo logbook' }).click()
  await expect(page.getByRole('button', { name: 'Edit Taffrail L14' })).toBeVisible()
}

export async function addDevice(page: Page, name: string, fields: Record<string, string> = {}) {
  await page.getByRole('button', { name: 'Add a device' }).click()
  // The form takes the cursor to its first field as it opens.
  await expect(page.getByLabel('Name')).toBeFocused()
  await page.getByLabel('Name').fill(name)
  for (const [label, value] of Object.entries(fields))
    await page.getByLabel(label, { exact: true }).fill(value)
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByRole('button', { name: `Edit ${name}` })).toBeVisible()
}

export async function addSource(page: Page, name: string, watts: string, offers: string) {
  await page.getByRole('button', { name: 'Add a source' }).click()
  // The form takes the cursor to its first field as it opens.
  await expect(page.getByLabel('Name')).toBeFocused()
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Rated').fill(watts)
  await page.getByLabel('Offers').fill(offers)
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByRole('button', { name: `Edit ${name}` })).toBeVisible()
}

/** A shelf with one phone and two chargers. */
export async function fillShelf(page: Page) {
  await go(page, '/shelf')
  await addDevice(page, 'Skerry P5', { Capacity: '4200', 'Most it takes': '20' })
  await addSource(page, 'Bollard 5', '5', '5V1A')
  await addSource(page, 'Bollard 12', '12', '5V2.4A')
}

export async function startByHand(page: Page, source: string | RegExp, startPercent: string) {
  await go(page, '/bench')
  await pick(page, 'Source', source)
  await page.getByLabel('Start level').fill(startPercent)
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByTestId('elapsed')).toBeVisible()
}

export async function startSimulated(
  page: Page,
  source: string | RegExp,
  startPercent: string,
  speed: string,
) {
  await go(page, '/bench')
  await pick(page, 'Source', source)
  await page.getByLabel('Start level').fill(startPercent)
  await page.getByRole('button', { name: 'a simulated meter and battery' }).click()
  await page.getByRole('button', { name: speed, exact: true }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByTestId('elapsed')).toBeVisible()
}

/** Types a reading with the keyboard alone; the cursor is where it was left. */
export async function typeReading(page: Page, percent: string, watts: string) {
  await page.keyboard.type(percent)
  await page.keyboard.press('Enter')
  await page.keyboard.type(watts)
  await page.keyboard.press('Enter')
  const noted = page.getByRole('status').filter({ hasText: new RegExp(`Noted at .*: ${percent}\\s%`) })
  const question = page.getByText('Press Enter again to keep it')
  await expect(noted.or(question)).toBeVisible()
  if (await question.isVisible()) await page.keyboard.press('Enter')
  await expect(noted).toBeVisible()
}

export async function stopAndKeep(page: Page) {
  await page.getByRole('button', { name: 'Stop this run' }).click()
  await page.getByRole('button', { name: 'Stop and keep' }).click()
  await expect(page.getByTestId('sentence')).toBeVisible()
}

/** The text of every cell of a table, to compare figures before and after. */
export const cellsOf = (page: Page, testId: string) =>
  page.getByTestId(testId).locator('td, th').allInnerTexts()

export const elapsedSeconds = async (page: Page) => {
  const [h, m, s] = (await page.getByTestId('elapsed').first().innerText()).split(':').map(Number)
  return h * 3600 + m * 60 + s
}
