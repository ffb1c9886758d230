import { spawn, type ChildProcess } from 'node:child_process'
import { expect, test } from '@playwright/test'
import { takeInShelf } from './fixture'
import { go, pick, stopAndKeep } from './steps'

const children: ChildProcess[] = []
/** Starts a process of the program and waits for the line that says where it listens. */
async function begin(...args: string[]): Promise<string> {
  const child = spawn(process.execPath, ['--import', 'tsx', ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  children.push(child)
  return new Promise((resolve) => child.stdout.once('data', (data: Buffer) => resolve(data.toString())))
}
test.afterEach(() => children.splice(0).forEach((child) => child.kill('SIGKILL')))

test('an SCPI instrument over a real socket feeds a lane; its line is cut, marked, and comes back', async ({
  page,
}) => {
  test.setTimeout(120_000)
  const port = Number(
    /:(\d+)/.exec(await begin('server/scpiSimulator.ts', '--port', '0', '--speed', '20'))![1],
  )
  const said = await begin('server/main.ts', '--scpi', `127.0.0.1:${port}`)
  const base = /http:\S+/.exec(said)![0].replace(/\/$/, '')
  const goto = page.goto.bind(page)
  page.goto = (url: string) => goto(url.startsWith('/') ? base + url : url)

  await takeInShelf(page)
  await go(page, '/bench')
  await pick(page, 'Source', 'Bollard 12')
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: 'instruments', exact: true }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByText('Choose at least one instrument')).toBeVisible()
  await page.getByRole('combobox', { name: 'Instruments on this lane' }).press('Enter')
  await page.getByRole('option', { name: /^Inkpath Log Simulated instrument/ }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByText(/^1\d\.\d.W$/)).toBeVisible()
  // The meter does not see the display: the level is typed beside it, and events have their keys.
  await page.getByLabel('Level').fill('6')
  await page.getByLabel('Level').press('Enter')
  await expect(page.getByTestId('level')).toHaveText(/6/)
  await page.keyboard.press('w')
  await expect(page.getByText(/Screen woken, at/)).toBeVisible()

  // The instrument dies, and another is started in its place.
  children[0].kill('SIGKILL')
  await expect(page.getByText(/lost: .*asking again, nothing is filled in/)).toBeVisible()
  await page.waitForTimeout(5000)
  await begin('server/scpiSimulator.ts', '--port', String(port), '--speed', '20')
  await expect(page.getByText(/lost:/)).toHaveCount(0, { timeout: 20_000 })
  await page.waitForTimeout(2500)
  await stopAndKeep(page)
  await expect(page.getByText(/is heard again/).first()).toBeAttached()
  const csv = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take the trace (CSV)' }).click()
  const stream = await (await csv).createReadStream()
  let text = ''
  for await (const chunk of stream) text += chunk
  const times = text.trim().split('\n').slice(1).map((line) => Number(line.split(',')[0])) // prettier-ignore
  const widest = Math.max(...times.slice(1).map((t, i) => t - times[i]))
  expect(widest).toBeGreaterThan(4)
  expect([...times].sort((a, b) => a - b)).toEqual(times)
})

test('a survey is read by an instrument: it settles by itself and is kept by Enter', async ({ page }) => {
  const port = Number(/:(\d+)/.exec(await begin('server/scpiSimulator.ts', '--port', '0'))![1])
  const said = await begin('server/main.ts', '--scpi', `127.0.0.1:${port}`)
  const base = /http:\S+/.exec(said)![0].replace(/\/$/, '')
  const goto = page.goto.bind(page)
  page.goto = (url: string) => goto(url.startsWith('/') ? base + url : url)

  await takeInShelf(page)
  await go(page, '/bench/survey')
  await pick(page, 'Read by', /^Inkpath Log Simulated instrument/)
  const told = page.getByTestId('survey-told')
  await expect(told).toContainText('as current flows')
  await page.getByLabel('Volts and amperes').press('Enter')
  await expect(told).toContainText(/Settled: \d+\.\d\d.V, \d\.\d\d.A/, { timeout: 60_000 })
  await page.getByLabel('Volts and amperes').press('Enter')
  await expect(page.getByText('Bollard 5 is on record.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'What they gave' }).getByRole('listitem')).toHaveCount(1)
  // What reads stays chosen. The instrument dies in the middle, and that is said.
  await page.reload()
  await expect(page.getByRole('combobox', { name: 'Read by' })).toHaveValue(/Simulated instrument/)
  await page.getByLabel('Volts and amperes').press('Enter')
  await expect(told).toContainText('Not settled yet')
  children[0].kill('SIGKILL')
  await expect(told).toContainText('Nothing more from')
})

test('a simulated meter and battery, each with its clock, stand together by the start of current', async ({
  page,
}) => {
  await takeInShelf(page)
  await go(page, '/bench')
  await pick(page, 'Source', 'Bollard 12')
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: 'instruments', exact: true }).click()
  await page.getByRole('combobox', { name: 'Instruments on this lane' }).press('Enter')
  await page.getByRole('option', { name: /^Simulated meter/ }).click()
  await page.getByRole('option', { name: /^Simulated battery/ }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByText('simulated', { exact: true })).toBeVisible()
  await expect(page.getByText('The clocks were put together by the start of current.')).toBeVisible({
    timeout: 20_000,
  })
  await page.getByRole('button', { name: 'Move a clock' }).click()
  await page.getByLabel('Move simulated-battery by').fill('soon')
  await page.getByLabel('Move simulated-battery by').press('Enter')
  await expect(page.getByText('The shift must be a number.')).toBeVisible()
  await page.getByLabel('Move simulated-battery by').fill('-2,5')
  await page.getByLabel('Move simulated-battery by').press('Enter')
  await expect(page.getByTestId('offset').filter({ hasText: '−2.5' })).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('offset').filter({ hasText: '−2.5' })).toBeVisible()
})

test('a device logs its own level through the browser, where it can', async ({ page }) => {
  await page.addInitScript(() => {
    const battery = Object.assign(new EventTarget(), { level: 0.41, charging: true })
    Object.assign(window, { battery })
    Object.defineProperty(navigator, 'getBattery', { value: () => Promise.resolve(battery) })
  })
  await takeInShelf(page)
  await go(page, '/bench')
  await page.getByLabel('Start level').fill('41')
  await page.getByRole('button', { name: 'this device’s own battery' }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await expect(page.getByTestId('level')).toHaveText(/41/)
  await page.evaluate(() => {
    const { battery } = window as unknown as { battery: EventTarget & { level: number } }
    battery.level = 0.43
    battery.dispatchEvent(new Event('levelchange'))
  })
  await expect(page.getByTestId('level')).toHaveText(/43/)
})
