import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { analyse } from '@core/analysis/analyse'
import { pictureOf, samplesOfRun, type KeptPicture } from '@core/analysis/runPicture'
import { durationOf } from '@core/trace/trace'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'
import { keepRunPicture, keptPicture } from './pictures'

vi.mock('../workers/analysis', () => ({ analysisWork: () => ({ analyse: vi.fn(analyse) }) }))

let whole: KeptPicture
const run = () => useLogbook().run('a')!
beforeEach(async () => {
  await openWith('a', 'b')
  const trace = (await useLogbook().traceOf('a'))!
  const picture = pictureOf(samplesOfRun(trace), { view: { from: 0, until: 612 }, spans: 10 })
  whole = { durationS: durationOf(trace), watched: [{ t: 300, percent: 17 }], picture }
  await keepRunPicture(run(), whole)
})

it('has a run’s picture as it was drawn, and none of another run', async () => {
  expect(await keptPicture(run())).toEqual(whole)
  expect(await keptPicture(useLogbook().run('b')!)).toBeUndefined()
})

it('has none once the readings are others, or a pause was noted', async () => {
  const trace = (await useLogbook().traceOf('a'))!
  await useLogbook().putRun(run(), { ...trace, percent: Float64Array.of(5, 12, 30) })
  expect(await keptPicture(run())).toBeUndefined()
  await keepRunPicture(run(), whole)
  const unplugged = [
    { t: 100, kind: 'unplugged', text: 'Unplugged' },
    { t: 160, kind: 'plugged-in', text: 'Plugged in' },
  ]
  await useLogbook().changeRun('a', () => ({ events: unplugged }))
  expect(await keptPicture(run())).toBeUndefined()
})

it('keeps it as long as the run is there, whatever else is worked out', async () => {
  await useAnalyses().fill()
  expect(await keptPicture(run())).toEqual(whole)
  const gone = run()
  await useLogbook().removeRun('a')
  await useAnalyses().fill()
  expect(await keptPicture({ ...gone })).toBeUndefined()
})
