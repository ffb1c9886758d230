// A log of a million readings: read from a file, kept, opened, looked at closely; and a long file stopped half-way.
// What counts is what holds the page up: tasks of its main thread over 50 ms.
import { openProgram } from './program.ts'

const READINGS = 1_000_000
const { base, browser, close } = await openProgram()

function file() {
  const rows = ['time_s,battery_percent,voltage_v,power_w']
  for (let i = 0; i < READINGS; i++) {
    const share = i / READINGS
    const watts =
      i === 432_100 ? 61.5 : share < 0.4 ? 26.2 : share < 0.7 ? 14.8 : 14.8 * Math.exp((0.7 - share) * 12)
    rows.push(`${(i / 10).toFixed(1)},${Math.floor(2 + 98 * share ** 0.7)},9.02,${watts.toFixed(2)}`)
  }
  return Buffer.from(rows.join('\n'))
}

const logbook = {
  format: 'inkpath-logbook', schemaVersion: 2, runs: [],
  devices: [{ id: 'd', name: 'Skerry P5', kind: 'phone', capacityWh: 15, healthPercent: 100, maxWatts: 27 }],
  sources: [{ id: 's', name: 'Hawser 30', kind: 'wall charger', ratedWatts: 30, ports: [{ name: 'C', offers: [{ kind: 'fixed', volts: 9, amps: 3 }] }] }],
} // prettier-ignore

async function withTasks(page, what, deed) {
  await page.evaluate(() => void (window.tasks = []))
  const began = performance.now()
  await deed()
  const seconds = (performance.now() - began) / 1000
  await page.waitForTimeout(300)
  const tasks = await page.evaluate(() => window.tasks)
  const worst = tasks.reduce((a, b) => Math.max(a, b), 0)
  console.log(
    `  ${what.padEnd(30)} ${seconds.toFixed(1).padStart(5)} s; ${tasks.length} tasks over 50 ms, the longest ${(worst / 50).toFixed(1)} × 50 ms`,
  )
}

try {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await page.addInitScript(() => {
    window.tasks = []
    new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((e) => e.duration))).observe(
      {
        type: 'longtask',
      },
    )
  })
  const give = (name, mimeType, buffer) =>
    page.locator('input[type=file]').first().setInputFiles({ name, mimeType, buffer })
  await page.goto(`${base}/files`)
  await give('logbook.json', 'application/json', Buffer.from(JSON.stringify(logbook)))
  await page.getByRole('button', { name: 'Merge it in' }).click()
  await page.getByText('The file was merged').waitFor()
  const long = file()
  console.log(`A log of ${READINGS.toLocaleString('en')} readings (${Math.round(long.length / 1e6)} MB):`)
  const onDisk = `${process.env.TMPDIR ?? '/tmp'}/inkpath-long.csv`
  const { writeFileSync, rmSync } = await import('node:fs')
  writeFileSync(onDisk, long)
  const choose = () => page.locator('input[type=file]').first().setInputFiles(onDisk)
  await withTasks(page, 'read half-way and stopped', async () => {
    await choose()
    await page.getByText(/Reading the file: [2-9]\d %/).waitFor()
    await page.getByRole('button', { name: 'Stop reading' }).click()
    await page.getByText('Reading the file').waitFor({ state: 'detached' })
  })
  await withTasks(page, 'read', async () => {
    await page.locator('input[type=file]').first().setInputFiles([])
    await choose()
    await page.getByRole('button', { name: 'Make it a run' }).waitFor({ timeout: 120_000 })
    await page.getByText(/1000000 readings|1,000,000 readings/).waitFor({ timeout: 120_000 })
  })
  await withTasks(page, 'kept and analysed', async () => {
    await page.getByRole('button', { name: 'Make it a run' }).click()
    await page.getByTestId('sentence').waitFor({ timeout: 120_000 })
  })
  const url = page.url()
  const path = () => page.getByRole('img', { name: /^Charge curve/ }).waitFor({ timeout: 120_000 })
  await page.goto(`${base}/sheet`)
  await page.waitForTimeout(1500)
  await withTasks(page, 'its path, opened from the list', async () => {
    await page.locator('a[href^="/sheet/"]').first().click()
    await path()
  })
  await withTasks(page, '  and its figures', () => page.getByTestId('sentence').waitFor({ timeout: 120_000 }))
  await page.goto(`${base}/shelf`)
  await page.waitForTimeout(500)
  await withTasks(page, 'its path, in a fresh page', async () => {
    await page.goto(url, { waitUntil: 'commit' })
    await path()
  })
  await withTasks(page, '  and its figures', () => page.getByTestId('sentence').waitFor({ timeout: 120_000 }))
  // What stays in memory of the page, beside the columns as they are read: time, level, volts and watts, 8 bytes each.
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('HeapProfiler.enable')
  await cdp.send('HeapProfiler.collectGarbage')
  const { usedSize, backingStorageSize = 0 } = await cdp.send('Runtime.getHeapUsage')
  const columns = READINGS * 4 * 8
  console.log(
    `  in memory, once it is open: ${((usedSize + backingStorageSize) / columns).toFixed(1)} × its columns (${(backingStorageSize / columns).toFixed(1)} × in columns, the rest is the program)`,
  )
  const charts = page.getByRole('group', { name: /^Paths/ })
  await charts.focus()
  await withTasks(page, 'looked at ten times closer', async () => {
    for (let i = 0; i < 10; i++) await page.keyboard.press('+')
    await charts.getByText('In view').waitFor()
  })
  await withTasks(page, 'moved thirty times', async () => {
    for (let i = 0; i < 30; i++) await page.keyboard.press(i % 2 ? 'Shift+ArrowLeft' : 'Shift+ArrowRight')
  })
  rmSync(onDisk)
} finally {
  await close()
}
