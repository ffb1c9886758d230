import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { analyse } from '@core/analysis/analyse'
import { portOf } from '@core/gear/blanks'
import { traceFromReadings } from '@core/trace/trace'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'
import { headlineDrawer } from '../storage/database'
import { demoLike } from '../storage/storage.fixture'

type Asked = Parameters<typeof analyse>
const work = {
  before: vi.fn<(of: Asked) => Promise<void>>(() => Promise.resolve()),
  analyse: async (...of: Asked) => {
    await work.before(of)
    return analyse(...of)
  },
}
vi.mock('../workers/analysis', () => ({ analysisWork: () => work }))

beforeEach(() => openWith('a', 'b', 'c'))

it('works out what a list shows without keeping the traces; a run that is looked at has its own at hand', async () => {
  const analyses = useAnalyses()
  await analyses.fill()
  expect(['a', 'b', 'c'].map((id) => analyses.headline(id) !== undefined)).toEqual([true, true, true])
  expect(useLogbook().traces.size).toBe(0)
  await analyses.ask('b')
  expect([...useLogbook().traces.keys()]).toEqual(['b'])
})

it('works out what is brought in or put right after all were gone through, and while they are', async () => {
  const analyses = useAnalyses()
  const logbook = useLogbook()
  const known = () => logbook.runs.filter(({ id }) => analyses.headline(id)).map(({ id }) => id)
  await analyses.fill()
  await logbook.takeLogbook(demoLike('d', 'e'), 'merge')
  await vi.waitFor(() => expect(known()).toEqual(['a', 'b', 'c', 'd', 'e']))
  const device = logbook.devices[0]
  await logbook.put('devices', { ...device, claims: '50 % in 25 min' }, device)
  expect(known()).toEqual([])
  await logbook.takeLogbook(demoLike('f'), 'merge')
  await vi.waitFor(() => expect(known()).toHaveLength(6))
  // What is expected of the chain is read against, too.
  const [source] = logbook.sources
  await logbook.put('sources', { ...source, ports: [portOf('5V1A')] }, source)
  expect(known()).toEqual([])
  await vi.waitFor(() => expect(known()).toHaveLength(6))
})

it('misses nothing that changes at its very end, and lets nothing overtaken stand in the way', async () => {
  const analyses = useAnalyses()
  const logbook = useLogbook()
  vi.spyOn(headlineDrawer, 'keys').mockImplementationOnce(async () => {
    await logbook.takeLogbook(demoLike('late'), 'merge')
    return []
  })
  await analyses.fill()
  await vi.waitFor(() => expect(analyses.headline('late')).toBeDefined())

  const device = logbook.devices[0]
  const change = (claims: string) => logbook.put('devices', { ...device, claims }, device)
  const secondsOf = (of?: { claims?: readonly { seconds: number }[] }) => of?.claims?.[0]?.seconds
  let release!: () => void
  const released = new Promise<void>((resolve) => (release = resolve))
  const held = work.before.mockImplementation(([, options]) =>
    secondsOf(options) === 1500 ? released : Promise.resolve(),
  )
  held.mockClear()
  await change('50 % in 25 min')
  const overtaken = analyses.ask('a')
  await vi.waitFor(() => expect(held).toHaveBeenCalled())
  await new Promise((resolve) => setTimeout(resolve, 50))
  await change('50 % in 30 min')
  await analyses.ask('a')
  release()
  await overtaken
  expect(secondsOf(analyses.of('a'))).toBe(1800)
})

it('tells a spot check with the losses of its device’s own long runs, whichever was worked out first', async () => {
  const { devices, sources, runs } = demoLike('long', 'five')
  const long = { ...runs[0], trace: traceFromReadings([0, 3600].map((t) => ({ t, percent: 5 + t / 45, power: 20 }))) }
  const five = { ...runs[1], trace: traceFromReadings([0, 300].map((t) => ({ t, counterWh: t / 300 }))) }
  const logbook = useLogbook()
  await logbook.takeLogbook({ ...demoLike(), devices, sources, runs: [long, five] }, 'replace')
  const analyses = useAnalyses()
  await analyses.ask('five')
  const spot = () => analyses.spotOf('five')
  expect(spot()).toMatchObject({ efficiencyAssumed: true, efficiency: 0.8 })
  await analyses.fill()
  const { value } = analyses.of('long')!.efficiency
  expect(value).toBeGreaterThan(0.5)
  expect(spot()).toMatchObject({ efficiencyAssumed: false, efficiency: value })
  expect(spot()!.toHalfS).toBeCloseTo(spot()!.toHalfLosslessS / value)
}) // prettier-ignore
