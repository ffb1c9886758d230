// The ground under load: the list of 500 runs against that of 5, and eight lanes for six hours at 600 times speed.
import { openProgram } from './program.ts'

const HOURS = 6
const SPEED = 600
const LANES = 8
const { base, browser, close } = await openProgram()

const device = (i) => ({ id: `d${i}`, name: `Skerry P5 no. ${i}`, kind: 'phone', capacityWh: 15, healthPercent: 100, maxWatts: 20 }) // prettier-ignore
const source = { id: 's', name: 'Bollard 5', kind: 'wall charger', ratedWatts: 5, ports: [{ name: 'C', offers: [{ kind: 'fixed', volts: 5, amps: 1 }] }] } // prettier-ignore
const run = (i) => ({
  id: `r${i}`, deviceId: 'd0', sourceId: 's', ink: i % 8, startedAt: new Date(Date.UTC(2026, 1, 1, i)).toISOString(),
  state: 'done', reading: { kind: 'meter', seconds: 1 }, stop: { kind: 'shown-full' }, provenance: 'meter',
  trace: {
    time: Array.from({ length: 600 }, (_, t) => t * 10),
    percent: Array.from({ length: 600 }, (_, t) => Math.min(100, Math.floor(5 + t / 6))),
    power: Array.from({ length: 600 }, () => 18),
  },
}) // prettier-ignore
const logbook = (runs, lanes = 1) => ({
  format: 'inkpath-logbook',
  schemaVersion: 2,
  devices: Array.from({ length: lanes }, (_, i) => device(i)),
  sources: [source],
  runs: Array.from({ length: runs }, (_, i) => run(i)),
})

async function open(content) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await page.goto(`${base}/files`)
  await page.locator('input[type=file]').setInputFiles({
    name: 'logbook.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(content)),
  })
  await page.getByRole('button', { name: 'Merge it in' }).click({ timeout: 120_000 })
  await page.getByText('The file was merged').waitFor({ timeout: 120_000 })
  return page
}

/** ms from asking for a screen until what it is for is there; the median of five. */
async function opening(page, screen, selector) {
  const times = []
  for (let i = 0; i < 5; i++) {
    const began = performance.now()
    await page.goto(`${base}${screen}`, { waitUntil: 'commit' })
    await page.locator(selector).first().waitFor()
    times.push(performance.now() - began)
  }
  return times.sort((a, b) => a - b)[2]
}

async function lists() {
  const [few, many] = [await open(logbook(5)), await open(logbook(500))]
  await many.goto(`${base}/sheet`)
  // The headline figures are worked out once, in the background.
  await many.waitForFunction(
    () =>
      new Promise((resolve) => {
        const opened = indexedDB.open('inkpath-log')
        opened.onsuccess = () => {
          const db = opened.result
          const count = db.transaction('headlines').objectStore('headlines').count()
          count.onsuccess = () => (db.close(), resolve(count.result === 500))
        }
      }),
    null,
    { timeout: 300_000, polling: 1000 },
  )
  for (const [screen, selector] of [
    ['/sheet', 'tbody a'],
    ['/shelf', 'text=Bollard 5'],
    ['/shelf/pairs', 'text=Bollard 5'],
    ['/plan', 'text=Same device'],
    ['/bench', 'text=Start the clock'],
  ]) {
    const [a, b] = [await opening(few, screen, selector), await opening(many, screen, selector)]
    console.log(
      `  ${screen.padEnd(14)} ${(b / a).toFixed(2)} × that of 5 runs; ${(b / 1000).toFixed(2)} of a second`,
    )
  }
  await few.context().close()
  await many.context().close()
}

async function lanes() {
  const page = await open(logbook(0, LANES))
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  await page.goto(`${base}/bench`)
  for (let i = 0; i < LANES; i++) {
    if (i > 0) await page.getByRole('button', { name: 'Add a lane' }).click()
    await page.getByLabel('Start level').fill('5')
    await page.getByRole('button', { name: 'a simulated meter and battery' }).click()
    await page.getByRole('button', { name: `${SPEED}×`, exact: true }).click()
    await page.getByRole('button', { name: 'Start the clock' }).click()
    await page.getByTestId('elapsed').nth(i).waitFor()
  }
  const hours = async () =>
    page
      .getByTestId('elapsed')
      .last()
      .evaluate((e) => {
        const [h, m, s] = e.textContent.split(':').map(Number)
        return h + m / 60 + s / 3600
      })
  const look = async () => {
    await cdp.send('HeapProfiler.collectGarbage')
    const { metrics } = await cdp.send('Performance.getMetrics')
    const of = (name) => metrics.find((m) => m.name === name).value
    return { at: await hours(), heap: of('JSHeapUsedSize'), busy: of('TaskDuration') }
  }
  const looks = []
  for (let h = 1; h <= HOURS; h++) {
    while ((await hours()) < h) await page.waitForTimeout(200)
    looks.push(await look())
  }
  const cost = (a, b) => (b.busy - a.busy) / (b.at - a.at)
  const [first, last] = [cost(looks[0], looks[1]), cost(looks[HOURS - 2], looks[HOURS - 1])]
  const growth = (looks.at(-1).heap - looks[0].heap) / looks[0].heap
  console.log(`  time per reading in the last hour ${(last / first).toFixed(2)} × that of the second`)
  console.log(`  heap after ${HOURS} hours ${(1 + growth).toFixed(2)} × that after one`)
}

try {
  console.log('Opening a screen with 500 runs in the logbook:')
  await lists()
  console.log(`${LANES} simulated lanes for ${HOURS} hours at ${SPEED} times speed, a reading a second each:`)
  await lanes()
} finally {
  await close()
}
