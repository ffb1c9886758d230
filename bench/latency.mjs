// From Enter to stored: how long a reading takes to be safe, with an empty logbook and with 500 runs in it.
import { openProgram } from './program.ts'

const READINGS = 60
const { base, browser, close } = await openProgram()

const blank = { health: 100 }
const device = {
  id: 'd',
  name: 'Skerry P5',
  kind: 'phone',
  capacityWh: 15,
  healthPercent: blank.health,
  maxWatts: 20,
}
const source = { id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20 }
const run = (i) => ({
  id: `r${i}`, deviceId: 'd', sourceId: 's', ink: i % 8, startedAt: '2026-03-02T19:00:00Z', state: 'done',
  reading: { kind: 'meter', seconds: 1 }, stop: { kind: 'shown-full' }, provenance: 'meter',
  trace: { time: Array.from({ length: 600 }, (_, t) => t), power: Array.from({ length: 600 }, () => 18) },
}) // prettier-ignore
const logbook = (runs) =>
  JSON.stringify({
    format: 'inkpath-logbook',
    schemaVersion: 1,
    devices: [device],
    sources: [source],
    runs: Array.from({ length: runs }, (_, i) => run(i)),
  })

/** 95th percentile, in ms, of the time from Enter until the journal's transaction is complete. */
async function latency(runs) {
  const page = await (await browser.newContext()).newPage()
  // The journal's writes tell when they are safe: the moment the browser completes them.
  await page.addInitScript(() => {
    window.stored = []
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...given) {
      if (this.name === 'journal')
        this.transaction.addEventListener('complete', () => window.stored.push(performance.now()))
      return put.apply(this, given)
    }
    window.entered = []
    addEventListener('keydown', (e) => e.key === 'Enter' && window.entered.push(performance.now()), true)
  })
  await page.goto(`${base}/files`)
  await page.locator('input[type=file]').setInputFiles({
    name: 'logbook.json',
    mimeType: 'application/json',
    buffer: Buffer.from(logbook(runs)),
  })
  await page.getByRole('button', { name: 'Merge it in' }).click({ timeout: 120_000 })
  await page.getByText('The file was merged').waitFor({ timeout: 120_000 })
  await page.goto(`${base}/bench`)
  await page.getByLabel('Start level').fill('5')
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await page.getByTestId('elapsed').waitFor()
  const times = []
  for (let i = 0; i < READINGS; i++) {
    await page.getByLabel('Power').fill(String(15 + (i % 4)))
    const before = await page.evaluate(() => window.stored.length)
    await page.getByLabel('Power').press('Enter')
    await page.waitForFunction((n) => window.stored.length > n, before)
    times.push(await page.evaluate(() => window.stored.at(-1) - window.entered.at(-1)))
  }
  await page.close()
  return times.sort((a, b) => a - b)[Math.floor(0.95 * READINGS)]
}

try {
  await latency(0)
  const few = await latency(0)
  const many = await latency(500)
  console.log(`From Enter to stored, 95th percentile of ${READINGS} readings:`)
  console.log(`  with 500 runs in the logbook ${(many / few).toFixed(2)} × that of an empty one`)
  console.log(
    `  ${(few / 50).toFixed(2)} and ${(many / 50).toFixed(2)} × the target of 50 ms on this machine`,
  )
} finally {
  await close()
}
