// Side by side: eight runs of 20,000 readings out of a logbook of 500. How long until their paths stand, and what holds
// the page up meanwhile and while the view is moved.
import { writeLogbook } from '@core/formats/logbookJson'
import { blankSource, portOf } from '@core/gear/blanks'
import { blankDevice } from '@core/gear/deviceFields'
import { emptyLogbook } from '@core/logbook/logbook'
import { blankRun, type RunWithTrace } from '@core/logbook/run'
import { traceFromReadings } from '@core/trace/trace'
import { randomFrom } from '@core/stats/random'
import { openProgram } from './program'

declare global {
  interface Window {
    tasks: number[]
  }
}

const [RUNS, LONG, READINGS] = [500, 8, 20_000]
const TARGET_S = 0.3
const FRAMES = 50
const random = randomFrom(1)
const { base, browser, close } = await openProgram()

function run(i: number): RunWithTrace {
  const count = i < LONG ? READINGS : 20
  const step = i < LONG ? 0.5 : 300
  const pace = 1 - 0.04 * (i % LONG)
  const share = (k: number) => Math.min(1, k / (count * pace))
  return {
    run: blankRun({
      id: `r${i}`,
      deviceId: 'd',
      sourceId: `s${i % LONG}`,
      ink: i % 8,
      startedAt: new Date(Date.UTC(2026, 0, 1, i)).toISOString(),
      startPercent: 2,
      provenance: 'meter',
    }),
    trace: traceFromReadings(
      Array.from({ length: count }, (_, k) => ({
        t: k * step,
        percent: Math.floor(2 + 98 * share(k) ** 0.7),
        voltage: 9.02,
        // Watts wander by a hundredth, as a meter shows them: a smooth line would be drawn too easily.
        current:
          Math.round(
            1000 *
              (share(k) < 0.5 ? 2.7 : 2.7 * Math.exp((0.5 - share(k)) * 6)) *
              (1 + 0.01 * random.normal()),
          ) / 1000,
      })),
    ),
  }
}

const device = blankDevice({ id: 'd', name: 'Skerry P5', kind: 'phone', capacityWh: 15, maxWatts: 27 })
const file = writeLogbook({
  ...emptyLogbook(),
  devices: [device],
  sources: Array.from({ length: LONG }, (_, i) =>
    blankSource({ id: `s${i}`, name: `Hawser ${20 + i}`, kind: 'wall charger', ratedWatts: 20 + i, ports: [portOf('9V3A')] }),
  ),
  runs: Array.from({ length: RUNS }, (_, i) => run(i)),
}, "2026-01-31T12:00:00.000Z") // prettier-ignore

try {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await page.addInitScript(() => {
    window.tasks = []
    new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((e) => e.duration))).observe({ type: 'longtask' })
  }) // prettier-ignore
  await page.goto(`${base}/files`)
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({
      name: 'logbook.json',
      mimeType: 'application/json',
      buffer: Buffer.from(file),
    })
  await page.getByRole('button', { name: 'Merge it in' }).click({ timeout: 120_000 })
  await page.getByText('The file was merged').waitFor({ timeout: 120_000 })
  // Figures are worked out once, in the background.
  await page.goto(`${base}/sheet`)
  await page.waitForTimeout(30_000)
  const ids = Array.from({ length: LONG }, (_, i) => `r${i}`).join()
  const link = `/side-by-side?runs=${ids}`
  const told = async (what: string, seconds: number, target?: number) => {
    await page.waitForTimeout(500)
    const tasks = await page.evaluate(() => window.tasks.splice(0))
    const worst = tasks.reduce((a, b) => Math.max(a, b), 0)
    const ratio = target ? ` (${(seconds / target).toFixed(2)} × the target)` : ''
    console.log(`  ${what.padEnd(26)} ${seconds.toFixed(2)} s${ratio}; ${tasks.length} tasks over 50 ms, the longest ${(worst / 50).toFixed(1)} × 50 ms`)
  } // prettier-ignore
  const opened = async () => {
    const began = performance.now()
    await page.evaluate((to) => {
      history.pushState({}, '', to)
      dispatchEvent(new PopStateEvent('popstate', { state: {} }))
    }, link)
    await page
      .getByRole('group', { name: /^Paths/ })
      .locator('canvas[aria-busy=false]')
      .first()
      .waitFor({ timeout: 60_000 })
    return (performance.now() - began) / 1000
  }
  console.log(`Side by side, ${LONG} runs of ${READINGS.toLocaleString('en')} readings out of ${RUNS}:`)
  await page.evaluate(() => void window.tasks.splice(0))
  await told('opened, traces not read yet', await opened())
  await page.evaluate(() => history.back())
  await page.waitForTimeout(1500)
  await page.evaluate(() => void window.tasks.splice(0))
  await told('opened, once they are', await opened(), TARGET_S)
  const charts = page.getByRole('group', { name: /^Paths/ })
  await charts.focus()
  for (let i = 0; i < 6; i++) await page.keyboard.press('+')
  await page.waitForTimeout(500)
  await page.evaluate(() => void window.tasks.splice(0))
  // Dragged as by a hand, to and fro, told ten milliseconds apart whatever the page does. A frame counts in which every
  // picture stands elsewhere than in the one before.
  const [MOVES, EVERY_MS] = [200, 10]
  const frame = (await charts.locator('canvas').first().boundingBox())!
  const [middle, y] = [frame.x + frame.width / 2, frame.y + frame.height / 2]
  await page.mouse.move(middle, y)
  await page.mouse.down()
  await page.mouse.move(middle + 20, y)
  // As text: the compiler's own names are not known in the page.
  await page.evaluate(`{
    window.frames = []
    const look = () => {
      const pictures = [...document.querySelectorAll('.slide')]
      const stands = pictures.map((p) => (p.style.display ? '' : p.firstElementChild.style.transform))
      window.frames.push({ at: performance.now(), stands })
      if (window.frames.at(-1).at < ${MOVES * EVERY_MS * 3} + window.frames[0].at) requestAnimationFrame(look)
    }
    requestAnimationFrame(look)
  }`)
  const hand = await page.context().newCDPSession(page)
  const sent: Promise<unknown>[] = []
  for (let i = 0; i < MOVES; i++) {
    const x = middle + 200 * Math.sin(i / 20)
    sent.push(hand.send('Input.dispatchMouseEvent', { type: 'mouseMoved', x, y, button: 'left', buttons: 1 }))
    await page.waitForTimeout(EVERY_MS)
  }
  await Promise.all(sent)
  const frames = (await page.evaluate('window.frames')) as { at: number; stands: string[] }[]
  const moved = frames.filter(
    ({ stands }, i) => i > 0 && stands.every((at, k) => at && at !== frames[i - 1].stands[k]),
  )
  const each = (moved[moved.length - 1].at - moved[0].at) / 1000 / (moved.length - 1)
  await page.mouse.up()
  await told(`dragged, ${(1 / each).toFixed(0)} frames a second`, each, 1 / FRAMES)
} finally {
  await close()
}
