import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { traceProblem } from '../trace/check'
import { dueAt, heatDueAt, isDue, missedOf, readingAt, type LaneNow } from './due'
import { finishLane, traceOf } from './finish'
import { setupFixture } from './bench.fixture'
import { isLine, withinBounds, type JournalLine } from './line'
import type { LaneSetup } from './setup'
import { mayTakeBack, newLane, reduceLane, stamp, type LaneState } from './state'
import { stopReached } from './stop'

const after = (...lines: JournalLine[]): LaneState => lines.reduce(reduceLane, newLane())
const read = (t: number, percent: number, over = {}): JournalLine => ({
  kind: 'readings',
  readings: [{ t, percent, ...over }],
})
const now = (state: LaneState, elapsedS: number, over: Partial<LaneSetup> = {}): LaneNow => ({
  setup: setupFixture(over),
  state,
  elapsedS,
  closingInFrom: null,
})

describe('a lane, from its journal', () => {
  it('is the same whether its lines come one by one or are read back at once', () => {
    const line = fc.oneof(
      fc
        .record({ t: fc.integer({ min: 0, max: 5000 }), percent: fc.integer({ min: 0, max: 100 }) })
        .map((r): JournalLine => ({ kind: 'readings', readings: [r] })),
      fc.constant<JournalLine>({ kind: 'take-back' }),
      fc.constant<JournalLine>({ kind: 'event', event: { t: 5, kind: 'cable', text: 'Cable moved' } }),
    )
    fc.assert(
      fc.property(fc.array(line, { maxLength: 60 }), (lines) => {
        const [once, again] = [
          after(...lines),
          after(...(JSON.parse(JSON.stringify(lines)) as JournalLine[])),
        ]
        expect([...again.readings]).toEqual([...once.readings])
        expect(again.levels.last).toEqual(once.levels.last)
        expect(again.lines).toBe(lines.length)
      }),
    )
  })

  it('becomes a trace that the program itself reads back, whatever came in which order', () => {
    const reading = fc.record(
      {
        t: fc.double({ min: 0, max: 1e5, noNaN: true }),
        percent: fc.double({ min: 0, max: 100, noNaN: true }),
        temperatures: fc.record({ back: fc.double({ min: -20, max: 60, noNaN: true }) }),
        stream: fc.constantFrom('meter', 'battery'),
      },
      { requiredKeys: ['t'] },
    )
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1 }), fc.integer({ min: -900, max: 900 }), (readings, s) => {
        const state = after({ kind: 'readings', readings }, { kind: 'offsets', offsets: { battery: s } })
        const trace = traceOf(now(state, 1e5))!
        expect(traceProblem(trace)).toBeNull()
        expect(trace.time).toHaveLength(readings.length)
      }),
    )
  })

  it('puts typed and streamed readings in the order of their times though no clock was moved', () => {
    const state = after(
      read(300.1, 20),
      { kind: 'readings', readings: [{ t: 299.987, voltage: 9, stream: 'meter' }] },
      { kind: 'readings', readings: [{ t: 300.1, voltage: 9.1, stream: 'meter' }] },
    )
    const trace = traceOf(now(state, 301))!
    expect([...trace.time]).toEqual([299.987, 300.1, 300.1])
    // Two readings of one instant keep the order in which they came.
    expect([...trace.percent!]).toEqual([NaN, 20, NaN])
  })

  it('stamps every stream to the millisecond and never before its last', () => {
    const state = after(read(10, 5), { kind: 'readings', readings: [{ t: 90, voltage: 9, stream: 'meter' }] })
    expect(stamp(state, 10.0004)).toBe(10)
    expect(stamp(state, 9.2)).toBe(10)
    expect(stamp(state, 12.34567)).toBe(12.346)
    expect(stamp(state, 88, 'meter')).toBe(90)
    expect(stamp(state, -3, 'battery')).toBe(0)
  })

  it('takes back what a hand put in last, never the start level and never what an instrument read', () => {
    const meter: JournalLine = { kind: 'readings', readings: [{ t: 301, voltage: 9, stream: 'meter' }] }
    const state = after(read(0, 5), read(300, 44, { nominal: 300 }), meter)
    expect(mayTakeBack(state)).toBe(true)
    reduceLane(state, { kind: 'take-back' })
    expect([...state.readings].map((r) => r.t)).toEqual([0, 301])
    expect(state.levels.last).toEqual({ t: 0, percent: 5 })
    expect(state.answered.has(300)).toBe(false)
    expect(mayTakeBack(state)).toBe(false)
    reduceLane(state, { kind: 'take-back' })
    expect(state.readings.length).toBe(2)
  })

  it('keeps its levels few however long it runs, with the first and the last among them', () => {
    const state = newLane()
    for (let t = 0; t <= 100_000; t++)
      reduceLane(state, read(t, Math.round(t / 10) / 100 - (t % 2 ? 0 : 0.01) + 0.01))
    expect(state.levels.list().length).toBeLessThan(1300)
    expect(state.levels.first!.t).toBe(0)
    expect(state.levels.last!.t).toBe(100_000)
    expect(state.levels.firstAt(50)).toBeLessThan(50_400)
    const gaps = state.levels.list().map((p, i, all) => p.t - (all[i - 1]?.t ?? 0))
    expect(gaps.reduce((a, b) => Math.max(a, b))).toBeLessThan(1000)
  })
})

describe('a line of the journal', () => {
  it.each([
    [{ kind: 'readings', readings: [{ t: Infinity, percent: 5 }] }],
    [{ kind: 'readings', readings: [{ t: -1, percent: 5 }] }],
    [{ kind: 'readings', readings: [{ t: 1, percent: 1e300 }] }],
    [{ kind: 'readings', readings: [{ t: 1, temperatures: { Back: 1, back: 2 } }] }],
    [{ kind: 'readings', readings: [{ t: 1, temperatures: JSON.parse('{"__proto__": 20}') }] }],
    [{ kind: 'event', event: { t: NaN, kind: 'cable', text: '' } }],
    [{ kind: 'offsets', offsets: { meter: NaN } }],
    [{ kind: 'something' }],
    [null],
  ])('is not one when it could not be read again: %j', (line) => expect(isLine(line)).toBe(false))

  it('holds of a sample what its channels can hold, and nothing at all where that is nothing', () => {
    expect(withinBounds({ t: 1, voltage: 9, current: 1e9 })).toEqual({ t: 1, voltage: 9 })
    expect(withinBounds({ t: 1, percent: 103 })).toBeNull()
  })
})

describe('what a lane waits for', () => {
  it('is due until the next mark, and a late answer says what it was due at', () => {
    const state = after(
      read(0, 5, { nominal: 0 }),
      read(300, 8, { nominal: 300 }),
      read(600, 11, { nominal: 600 }),
    )
    const lane = now(state, 1052)
    expect([isDue(lane), dueAt(lane)]).toEqual([true, 900])
    const late = readingAt(lane, 1052, { percent: 17 })
    expect(late).toEqual({ t: 1052, percent: 17, nominal: 900, note: 'due at 15\u00A0min' })
    reduceLane(state, { kind: 'readings', readings: [late] })
    expect([isDue(lane), dueAt(lane)]).toEqual([false, 1200])
    expect(missedOf({ ...lane, elapsedS: 1900 })).toEqual([1200, 1500])
  })

  it('is nothing where instruments read; temperatures alone answer no mark', () => {
    const feed = { kind: 'instruments' as const, ids: ['m'], simulated: false }
    expect(isDue(now(newLane(), 3000, { feed }))).toBe(false)
    const heat = { minutes: [0, 10], places: ['back'], stopLimitC: 45 }
    const lane = now(newLane(), 310, { heat })
    expect(heatDueAt(lane)).toBe(0)
    expect(readingAt(lane, 310, { temperatures: { back: 21 } }).nominal).toBeUndefined()
    reduceLane(lane.state, { kind: 'readings', readings: [{ t: 310, temperatures: { back: 21 } }] })
    expect(heatDueAt(lane)).toBeNull()
  })
})

describe('the end of a lane', () => {
  const state = after(
    read(0, 1, { nominal: 0 }),
    read(300, 4, { nominal: 300 }),
    read(905, 9, { nominal: 900 }),
  )

  it('is "stopped early" where the stop rule did not end it, and its missed checks stay on record', () => {
    const end = finishLane(now(state, 910), { spoilt: false, reason: '' })
    expect(end.state).toBe('short')
    expect(end.stateReason).toMatch(/Stopped at 9.% after 15.min; the rule was: when the display shows 100 %/)
    expect(end.events).toEqual([{ t: 600, kind: 'missed', text: 'Missed the reading at 10\u00A0min' }])
  })

  it('is done by its rule, and spoilt whatever the rule says', () => {
    const level = { stop: { kind: 'level' as const, percent: 9 } }
    expect(finishLane(now(state, 910, level), { spoilt: false, reason: '' }).state).toBe('done')
    expect(finishLane(now(state, 910, level), { spoilt: true, reason: 'cut' })).toMatchObject({
      state: 'spoilt',
      stateReason: 'cut',
    })
    expect(finishLane(now(state, 9, { stop: { kind: 'open' } }), { spoilt: false, reason: '' }).state).toBe(
      'done',
    )
  })

  it('has a start level only where somebody read one', () => {
    const planned = { start: { percent: 1, read: false } }
    expect(finishLane(now(state, 910, planned), { spoilt: false, reason: '' }).startPercent).toBeNull()
    expect(finishLane(now(state, 910), { spoilt: false, reason: '' }).startPercent).toBe(1)
  })

  it('says where its readings came from', () => {
    const from = (feed: LaneSetup['feed']) =>
      finishLane(now(state, 1, { feed }), { spoilt: false, reason: '' }).provenance
    expect(from({ kind: 'instruments', ids: ['simulated-meter'], simulated: true })).toBe('simulation')
    expect(from({ kind: 'instruments', ids: ['m'], simulated: false })).toBe('meter')
    expect(from({ kind: 'simulated', seed: 1, speed: 1 })).toBe('simulation')
    expect(from({ kind: 'own-battery' })).toBe('self-report')
  })

  it('is offered by the rule: level, full, time, current all but stopped; never for an open run', () => {
    const seen = after(read(0, 20), read(60, 81), read(120, 79))
    expect(stopReached({ kind: 'level', percent: 80 }, seen, 120)).toMatch(/80/)
    expect(stopReached({ kind: 'shown-full' }, seen, 120)).toBeNull()
    expect(stopReached({ kind: 'duration', seconds: 120 }, seen, 119)).toBeNull()
    expect(stopReached({ kind: 'duration', seconds: 120 }, seen, 120)).toMatch(/time set/)
    expect(stopReached({ kind: 'open' }, seen, 1e6)).toBeNull()
    const watts = (t: number) => (t < 300 ? 20 : 0.4)
    const taper = newLane()
    const upTo = (end: number) => {
      for (let t = taper.readings.length; t < end; t++)
        reduceLane(taper, { kind: 'readings', readings: [{ t, power: watts(t) }] })
      return stopReached({ kind: 'taper-end' }, taper, end)
    }
    expect(upTo(350)).toBeNull()
    expect(upTo(359)).toBeNull()
    expect(upTo(362)).toMatch(/all but stopped/)
    expect(taper.taper.endedAt).toBe(300)
    // A device that tells of its own battery alone: its watts tell it; a meter's are trusted over them.
    const own = (source?: number) => {
      const lane = newLane()
      const readings = Array.from({ length: 400 }, (_, t) => ({
        t,
        power: source,
        batteryPower: t < 300 ? 15 : 0.1,
      }))
      reduceLane(lane, { kind: 'readings', readings })
      return stopReached({ kind: 'taper-end' }, lane, 400)
    }
    expect([own(), own(18)]).toEqual(['The current has all but stopped.', null])
    // A pause that ends is none, and silence proves nothing.
    reduceLane(taper, { kind: 'readings', readings: [{ t: 362, power: 18 }] })
    expect(stopReached({ kind: 'taper-end' }, taper, 363)).toBeNull()
    reduceLane(taper, { kind: 'readings', readings: [{ t: 500, power: 0.4 }] })
    expect(stopReached({ kind: 'taper-end' }, taper, 500)).toBeNull()
  })
})
