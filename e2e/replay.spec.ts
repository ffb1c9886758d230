import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { unzipSync } from 'fflate'
import { ALL_FORMATS, BufferSource, EncodedPacketSink, Input } from 'mediabunny'
import { stripLogbook, takeIn, withRuns } from './fixture'
import { blankRun } from '@core/logbook/run'
import { traceFromReadings } from '@core/trace/trace'
import { go } from './steps'

/** Two phones that charge in 15 and in 20 minutes. */
function twoRuns() {
  const { devices, sources } = stripLogbook(2)
  const runs = [15, 20].map((minutes, i) => ({
    run: blankRun({
      id: `r${i}`,
      deviceId: 'd1',
      sourceId: `s${i + 1}`,
      ink: i,
      startedAt: '2026-03-01T19:00:00.000Z',
      startPercent: 10,
      provenance: i ? ('simulation' as const) : ('hand' as const),
    }),
    trace: traceFromReadings(
      Array.from({ length: minutes + 1 }, (_, k) => ({
        t: k * 60,
        percent: Math.floor(10 + (90 * k) / minutes),
        power: 18,
      })),
    ),
  }))
  return { ...withRuns(0), devices, sources, runs }
}
const open = async (page: Page) => {
  await takeIn(page, twoRuns())
  await go(page, '/side-by-side?runs=r0,r1')
  await page.getByRole('link', { name: 'Play them again' }).click()
  await expect(page.getByRole('img', { name: /^At 0:00:00: Hawser 21 10.%, Hawser 22 10.%/ })).toBeVisible()
}
/** The picture on the screen, or of a film at a moment, as one grey value for each of 96 × 54 fields. */
const SHRINK = `(of) => {
  const small = new OffscreenCanvas(96, 54)
  const pen = small.getContext('2d')
  pen.drawImage(of, 0, 0, 96, 54)
  return Array.from(pen.getImageData(0, 0, 96, 54).data).filter((_, i) => i % 4 === 1)
}`

test('runs play again on one clock, by button, slider and keys, and the finish line fills', async ({
  page,
}) => {
  await open(page)
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('img', { name: /^At 0:01:00: Hawser 21 1\d.%/ })).toBeVisible()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByRole('img', { name: /^At 0:00:00/ })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible({ timeout: 15_000 })
  await expect(
    page.getByRole('img', { name: /^At 0:(19|20):\d\d: Hawser 21 full in 1\d.min, Hawser 22 full in/ }),
  ).toBeVisible()
})

test('a film has every frame, and its last is what the screen shows; stopped, it leaves nothing', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await open(page)
  await page.keyboard.press('End')
  await expect(page.getByRole('img', { name: /Hawser 22 full in/ })).toBeVisible()
  await page.getByRole('button', { name: /^Write a film/ }).click()
  await page.getByRole('button', { name: 'Stop it' }).click()
  await expect(page.getByText('nothing of it was kept')).toBeVisible()

  const loading = page.waitForEvent('download', { timeout: 200_000 })
  await page.getByRole('button', { name: /^Write a film/ }).click()
  const file = await loading
  const said = await page.getByText(/\d+ frames are in the file/).innerText()
  const frames = Number(/(\d+) frames/.exec(said)![1])
  const bytes = await readFile((await file.path())!)
  expect(file.suggestedFilename()).toBe('side-by-side.webm')
  const track = (await new Input({
    formats: ALL_FORMATS,
    source: new BufferSource(bytes),
  }).getPrimaryVideoTrack())!
  let packets = 0
  for await (const packet of new EncodedPacketSink(track).packets()) if (packet) packets++
  // Less than 20 min at 300 ×, 30 frames a second, and the last.
  expect(packets).toBe(frames)
  expect(frames).toBeGreaterThan(100)
  expect([await track.getDisplayWidth(), await track.getDisplayHeight()]).toEqual([1920, 1080])

  const screen = (await page.evaluate(`(${SHRINK})(document.querySelector('canvas'))`)) as number[]
  // The program's own pages play no media: what a viewer has does.
  const viewer = await page.context().newPage()
  const film = (await viewer.evaluate(
    `(async (text) => {
      const video = document.createElement('video')
      video.muted = true
      video.src = 'data:video/webm;base64,' + text
      await new Promise((done, fail) => { video.onloadeddata = done; video.onerror = () => fail(video.error) })
      video.currentTime = Math.max(0, video.duration - 0.01)
      await new Promise((done) => (video.onseeked = done))
      const whole = document.createElement('canvas')
      Object.assign(whole, { width: 1920, height: 1080 })
      const pen = whole.getContext('2d')
      // "seeked" may come before the frame is decoded: nothing is drawn then, and what is drawn is opaque.
      while (pen.getImageData(960, 540, 1, 1).data[3] === 0) {
        await new Promise((next) => setTimeout(next, 50))
        pen.drawImage(video, 0, 0)
      }
      return (${SHRINK})(whole)
    })('${bytes.toString('base64')}')`,
  )) as number[]
  const apart = screen.reduce((sum, v, i) => sum + Math.abs(v - film[i]), 0) / screen.length
  expect(Math.max(...screen) - Math.min(...screen)).toBeGreaterThan(60)
  expect(apart).toBeLessThan(3)
})

test('numbered pictures stand in for a film', async ({ page }) => {
  await open(page)
  const loading = page.waitForEvent('download', { timeout: 60_000 })
  await page.getByRole('button', { name: 'Numbered pictures' }).click()
  const files = unzipSync(await readFile((await (await loading).path())!))
  const names = Object.keys(files)
  expect(names[0]).toBe('frame-1.png')
  // PNG: width and height stand in its first chunk.
  const head = Buffer.from(files['frame-1.png'])
  expect([head.readUInt32BE(16), head.readUInt32BE(20)]).toEqual([1920, 1080])
  await expect(page.getByText(`${names.length} frames are in the file`)).toBeVisible()
})
