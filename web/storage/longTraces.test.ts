import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import type { Trace } from '@core/trace/trace'
import type * as LongTraces from './longTraces'
import type { LongTraceWork } from './longTraces.worker'
import type * as Traces from './traces'

const comlink = vi.hoisted(() => ({
  work: undefined as unknown,
  wrapped: undefined as unknown,
  handed: [] as unknown[],
}))
vi.mock('comlink', () => ({
  expose: (work: unknown) => (comlink.work = work),
  wrap: () => comlink.wrapped,
  transfer: <T>(value: T, memory: unknown[]): T => {
    comlink.handed = memory
    return value
  },
}))

class FakeWorker {
  static made: FakeWorker[] = []
  onerror: (() => void) | null = null
  constructor() {
    FakeWorker.made.push(this)
  }
}

const LENGTH = 30_001
const column = (of: (i: number) => number) => Float64Array.from({ length: LENGTH }, (_, i) => of(i))
const long = (): Trace => ({
  time: column((i) => i),
  percent: column((i) => Math.floor(i / 400)),
  temperatures: { back: column(() => 25) },
})

let worker: LongTraceWork
let traces: typeof Traces
let doneElsewhere: typeof LongTraces.doneElsewhere
beforeEach(async () => {
  vi.resetModules()
  vi.unstubAllGlobals()
  FakeWorker.made = []
  await import('./longTraces.worker')
  worker = comlink.work as LongTraceWork
  traces = await import('./traces')
  ;({ doneElsewhere } = await import('./longTraces'))
})

it('stores and reads a long trace by the worker, column by column, and hands its memory over once', async () => {
  vi.stubGlobal('Worker', FakeWorker)
  comlink.wrapped = worker
  const key = traces.newTraceKey('a', long())
  await traces.storeTrace(key, long())
  expect(FakeWorker.made).toHaveLength(1)
  const found = await traces.readTrace(key)
  expect(found).toEqual({ trace: long() })
  const { time, percent, temperatures } = (found as { trace: Trace }).trace
  expect(new Set(comlink.handed)).toEqual(new Set([time, percent!, temperatures.back].map((c) => c.buffer)))
  expect(comlink.handed).toHaveLength(3)
})

it('leaves a short trace, and one stored before keys told of their length, to the page', async () => {
  vi.stubGlobal('Worker', FakeWorker)
  const short: Trace = { time: Float64Array.of(0, 5), percent: Float64Array.of(1, 2), temperatures: {} }
  const key = traces.newTraceKey('a', short)
  await traces.storeTrace(key, short)
  expect(await traces.readTrace(key)).toEqual({ trace: short })
  await traces.storeTrace('a/of old', long())
  expect(await traces.readTrace('a/of old')).toEqual({ trace: long() })
  expect(FakeWorker.made).toHaveLength(0)
})

it('refuses in the worker what could not be read again, and writes nothing of it', async () => {
  vi.stubGlobal('Worker', FakeWorker)
  comlink.wrapped = worker
  const falling = long()
  falling.time[7] = 2
  const key = traces.newTraceKey('a', falling)
  await expect(traces.storeTrace(key, falling)).rejects.toThrow('cannot be kept: trace.time goes backwards')
  expect(await traces.readTrace(key)).toEqual({ reason: 'its readings are missing', raw: null })
})

it('does it on the page where there is no worker, or where it breaks down while it is asked', async () => {
  const never = () => new Promise<string>(() => undefined)
  const here = async () => 'here'
  expect(await doneElsewhere(never, here)).toBe('here')
  vi.resetModules()
  ;({ doneElsewhere } = await import('./longTraces'))
  vi.stubGlobal('Worker', FakeWorker)
  const asked = doneElsewhere(never, here)
  FakeWorker.made[0].onerror!()
  expect(await asked).toBe('here')
  // From now on nobody waits for it.
  expect(await doneElsewhere(async () => 'there', here)).toBe('here')
  expect(FakeWorker.made).toHaveLength(1)
})

it('tells a refusal of the worker, and does not try the same once more on the page', async () => {
  vi.stubGlobal('Worker', FakeWorker)
  const here = vi.fn(async () => 'here')
  const full = new DOMException('full', 'QuotaExceededError')
  comlink.wrapped = { part: async () => undefined, store: () => Promise.reject(full) }
  await expect(doneElsewhere(() => Promise.reject(full), here)).rejects.toBe(full)
  expect(here).not.toHaveBeenCalled()
  await expect(traces.storeTrace('a/x/long', long())).rejects.toThrow('storage is full')
})
