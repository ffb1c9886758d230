import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import {
  NO_HEAT,
  apply,
  dueAt,
  flush,
  isDue,
  makeLane,
  missedOf,
  nominalFor,
  record,
  type Feed,
  type LaneSetup,
} from './lane'
import { runFrom, traceOf } from './laneRun'
import { readJournal } from '../storage/journal'
import { journalStore } from '../storage/stores'

let number = 0
const setup = (over: Partial<LaneSetup> = {}): LaneSetup => ({
  runId: `run-${++number}`,
  deviceId: 'd',
  sourceId: 's',
  cableId: null,
  ink: 0,
  startPercent: 5,
  reading: { kind: 'every', seconds: 300 },
  stop: { kind: 'shown-full' },
  planned: null,
  checklist: [],
  heat: NO_HEAT,
  feed: { kind: 'hand' },
  startedAtMs: Date.parse('2026-03-02T19:00:00Z'),
  ...over,
})
const reading = (t: number, percent: number, over = {}) => ({
  kind: 'readings' as const,
  readings: [{ t, percent, ...over }],
})

beforeEach(() => vi.restoreAllMocks())

describe('a lane whose browser refuses to store', () => {
  it('keeps every line in memory in its order, and stores them all once it can', async () => {
    const lane = makeLane(setup(), 0)
    await record(lane, reading(0, 5))
    const refuse = vi
      .spyOn(journalStore, 'setItem')
      .mockRejectedValue(new DOMException('full', 'QuotaExceededError'))
    await expect(record(lane, reading(300, 11))).rejects.toThrow('storage is full')
    await expect(record(lane, reading(600, 17))).rejects.toThrow('storage is full')
    expect(lane.readings.map((r) => r.percent)).toEqual([5, 11, 17])
    expect(lane.pending).toHaveLength(2)
    refuse.mockRestore()
    await flush(lane)
    expect(lane.pending).toHaveLength(0)
    const again = makeLane(lane.setup, 0)
    for (const line of await readJournal(lane.setup.runId)) apply(again, line)
    expect(again.readings).toEqual(lane.readings)
  })

  it('writes no line twice when many are stored at once', async () => {
    const lane = makeLane(setup(), 0)
    await Promise.all(Array.from({ length: 25 }, (_, i) => record(lane, reading(i, i))))
    expect(await readJournal(lane.setup.runId)).toHaveLength(25)
    expect(lane.lines).toBe(25)
  })
})

describe('what a lane waits for', () => {
  it('is due at its mark, late until half-way to the next, then missed', () => {
    const lane = makeLane(setup(), 0)
    apply(lane, reading(0, 5, { nominal: 0 }))
    lane.elapsedS = 299
    expect(isDue(lane)).toBe(false)
    lane.elapsedS = 440
    expect([isDue(lane), dueAt(lane), nominalFor(lane, 440)]).toEqual([true, 300, 300])
    lane.elapsedS = 460
    expect([isDue(lane), dueAt(lane), missedOf(lane)]).toEqual([false, 600, [300]])
  })

  it('is nothing where instruments read', () => {
    const lane = makeLane(setup({ feed: { kind: 'instruments', ids: ['m'], simulated: false } }), 0)
    lane.elapsedS = 3000
    expect(isDue(lane)).toBe(false)
  })
})

describe('taking back', () => {
  it('takes the last reading of the hand, never the start level and never an instrument’s', () => {
    const lane = makeLane(setup(), 0)
    apply(lane, reading(0, 5))
    apply(lane, reading(300, 44))
    apply(lane, { kind: 'readings', readings: [{ t: 301, voltage: 9, stream: 'meter' }] })
    apply(lane, { kind: 'take-back' })
    expect(lane.readings.map((r) => r.t)).toEqual([0, 301])
    apply(lane, { kind: 'take-back' })
    expect(lane.readings.map((r) => r.t)).toEqual([0, 301])
  })
})

describe('the run that a lane becomes', () => {
  it('says where its readings came from, and keeps missed checks on record', () => {
    const lane = makeLane(setup(), 0)
    apply(lane, reading(0, 5, { nominal: 0 }))
    apply(lane, reading(600, 17, { nominal: 600 }))
    apply(lane, { kind: 'event', event: { t: 700, kind: 'cable', text: 'Cable moved' } })
    lane.elapsedS = 700
    const run = runFrom(lane, 'spoilt', 'The power was cut.')
    expect(run).toMatchObject({ provenance: 'hand', state: 'spoilt', startedAt: '2026-03-02T19:00:00.000Z' })
    expect(run.events.map((e) => e.kind)).toEqual(['missed', 'cable'])
    const simulated: Feed = { kind: 'instruments', ids: ['simulated-meter'], simulated: true }
    expect(runFrom(makeLane(setup({ feed: simulated }), 0), 'done', '').provenance).toBe('simulation')
    expect(runFrom(makeLane(setup({ feed: { kind: 'own-battery' } }), 0), 'done', '').provenance).toBe(
      'self-report',
    )
  })

  it('has its streams on one clock, in order of time', () => {
    const lane = makeLane(setup(), 0)
    apply(lane, reading(0, 5))
    apply(lane, { kind: 'readings', readings: [{ t: 12, percent: 6, stream: 'battery' }] })
    apply(lane, { kind: 'readings', readings: [{ t: 5, voltage: 9, current: 2, stream: 'meter' }] })
    apply(lane, { kind: 'offsets', offsets: { battery: -9 } })
    expect([...traceOf(lane).time]).toEqual([0, 3, 5])
    expect(traceOf(lane).percent![1]).toBe(6)
  })
})
