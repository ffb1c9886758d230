import { describe, expect, it, vi } from 'vitest'
import { blankSource, portOf } from '../gear/blanks'
import type { Device, Source } from '../gear/gear'
import { SCHOOLS } from '../protocol/schools'
import type { Protocol } from '../protocol/protocol'
import { pairKey, plannedRunsFor, usualMeans, type Campaign } from './campaign'
import { timetableMeans } from './jobs'
import { schedule } from './scheduler'
import { expectedTime } from './durations'
import { withAll, withRepeats } from './pairs'
import { isOver, nextUp } from './progress'
import { Timetable, type Job, type Obstacle } from './timetable'
import { momentIn, windowsOf } from './windows'
import { obstacleInWords } from './words'

const HOUR = 3600
const names = { device: (id: string) => id, source: (id: string) => id }

describe('what stands in a run’s way', () => {
  const windows = [0, 1].map((i) => ({
    startS: (24 * i + 18) * HOUR,
    endS: (24 * i + 22) * HOUR,
    day: `day ${i}`,
  }))
  const job = (id: string, device: string, source: string, over: Partial<Job> = {}): Job => ({
    id, device, source, pair: `${device} ${source}`, chargeS: HOUR, prepS: 0, ...over,
  }) // prettier-ignore
  const table = (atOnce = 2) => {
    const t = new Timetable(windows, { atOnce, units: {} }, 0)
    const first = t.tryAt(job('a', 'P5', 'Hawser'), 0, 19 * HOUR)
    if (first.ok) t.add(first.placed)
    return t
  }
  const refusal = (t: Timetable, j: Job, startS: number, window = 0): Obstacle | null => {
    const tried = t.tryAt(j, window, startS)
    return tried.ok ? null : tried.obstacle
  }
  it.each<[string, Job, number, RegExp]>([
    ['before the hours', job('b', 'T11', 'Bollard'), 17 * HOUR, /outside the free hours/],
    ['beyond their end', job('b', 'T11', 'Bollard'), 21.5 * HOUR, /needs 1.h.0.min; only 30.min are left/],
    ['its source is taken', job('b', 'T11', 'Hawser'), 19.5 * HOUR, /Hawser is taken until/],
    ['its device is charging', job('b', 'P5', 'Bollard'), 19.5 * HOUR, /P5 is charging until/],
    [
      'it is not drained yet',
      job('b', 'P5', 'Bollard', { prepS: HOUR }),
      20.5 * HOUR,
      /must be drained and rested first/,
    ],
    ['nothing, right before it', job('b', 'P5', 'Bollard', { prepS: 0 }), 18 * HOUR, /^$/],
    [
      'a repeat on one day',
      job('b', 'P5', 'Hawser', { pair: 'P5 Hawser' }),
      21 * HOUR,
      /repeats are spread over days/,
    ],
  ])('%s', (_name, j, startS, words) => {
    const found = refusal(table(), j, startS)
    expect(found ? obstacleInWords(found, names) : '').toMatch(words)
  })
  it('one at a time, where the plan allows no more', () => {
    const found = refusal(table(1), job('b', 'T11', 'Bollard'), 19.5 * HOUR)
    expect(obstacleInWords(found!, names)).toMatch(/one at a time/)
  })
  it('the run after it, which would not be drained in time', () => {
    const t = new Timetable(windows, { atOnce: 2, units: {} }, 0)
    const later = t.tryAt(job('a', 'P5', 'Hawser', { prepS: 2 * HOUR }), 0, 21 * HOUR)
    if (later.ok) t.add(later.placed)
    expect(obstacleInWords(refusal(t, job('b', 'P5', 'Bollard'), 18.5 * HOUR)!, names)).toMatch(
      /would not be drained and rested in time for its next run/,
    )
    expect(t.earliestIn(job('b', 'P5', 'Bollard'), 0)?.startS).toBe(18 * HOUR)
  })
})

describe('expected times', () => {
  const phone = {
    id: 'p', kind: 'phone', capacityWh: 16, capacityMah: null, nominalVolts: null, healthPercent: 100, maxWatts: 20,
    minWatts: 7.5, minVolts: null, fixedVolts: [9], adjustable: null, family: '', wirelessWatts: null,
  } as unknown as Device // prettier-ignore
  const source = (volts: number, amps: number) =>
    ({ kind: 'wall charger', ratedWatts: volts * amps, ports: [{ name: 'C', offers: [{ kind: 'fixed', volts, amps }] }] }) as Source // prettier-ignore
  const school = (id: string, over: Partial<Protocol> = {}) => ({
    ...SCHOOLS.find((p) => p.id === id)!,
    ...over,
  })
  const time = (protocol: Protocol, s = source(9, 2.2), means = usualMeans()) =>
    expectedTime(phone, [s], null, protocol, means, null)

  it('are the protocol’s own for a fixed time, with nothing kept in hand', () => {
    expect(time(school('top-up'))).toMatchObject({ basis: 'fixed', chargeS: 1800, slotS: 1800 })
  })
  it('are half an hour of watching where nothing will charge', () => {
    expect(time(school('one-to-full'), source(5, 1))).toMatchObject({ basis: 'watched', chargeS: 1800 })
  })
  it('drain from where the last run ended: to 80 %, so four fifths less the start', () => {
    const to80 = school('pad', { startPercent: 10 })
    expect(time(to80, source(9, 2.2), { ...usualMeans(), drainHours: { p: 10 } }).drainS).toBeCloseTo(
      7 * HOUR,
      6,
    )
    expect(time(school('spot-check')).drainS).toBe(0)
  })
  it('are shorter to a lower level, and longer on a weaker source', () => {
    const full = time(school('one-to-full')).chargeS
    expect(time(school('one-to-full', { stop: { kind: 'level', percent: 80 } })).chargeS).toBeLessThan(full)
    expect(time(school('one-to-full'), source(5, 2)).chargeS).toBeGreaterThan(full)
  })
})

describe('a campaign’s runs', () => {
  const pair = (deviceId: string, sourceId: string, repeats = 2) => ({
    deviceId,
    sourceId,
    cableId: null,
    repeats,
  })
  let n = 0
  const newId = () => `run ${++n}`
  const runsFor = (
    pairs: ReturnType<typeof pair>[],
    before: ReturnType<typeof plannedRunsFor> = [],
    kept: string[] = [],
  ) => plannedRunsFor(pairs, before, (id) => kept.includes(id), newId)

  it('follow the pairs: more repeats add, fewer take away, but never one that was made', () => {
    const two = runsFor([pair('p', 'a')])
    const three = runsFor([pair('p', 'a', 3)], two)
    expect(three.slice(0, 2)).toEqual(two)
    expect(three).toHaveLength(3)
    const fewer = runsFor([pair('p', 'a', 1)], three, [three[2].id])
    expect(fewer.map((p) => p.repeat)).toEqual([1, 3])
    expect(runsFor([], three)).toEqual([])
  })

  it('are chosen by the grid: all, none, and one cell', () => {
    const all = withAll([], ['p', 't'], ['a', 'b'], null, 2)
    expect(all.map(pairKey)).toHaveLength(4)
    const kept = withAll(withRepeats(all, pair('p', 'a'), 5), ['p', 't'], ['a', 'b'], null, 2)
    expect(kept.find((p) => p.deviceId === 'p' && p.sourceId === 'a')!.repeats).toBe(5)
    expect(withAll(kept, ['p'], ['a', 'b'], null, 0).map((p) => p.deviceId)).toEqual(['t', 't'])
  })

  it('come up day by day, and the campaign is over when none is left', () => {
    const planned = runsFor([pair('p', 'a'), pair('p', 'b')]).map((p, i) => ({
      ...p,
      slot: {
        startsAt: `2026-03-0${2 + Math.floor(i / 2)}T18:30:00.000Z`,
        chargeS: HOUR,
        prepS: 0,
        unit: 0,
        lane: 0,
      },
    }))
    const campaign = { planned } as Campaign
    const day = (iso: string) => iso.slice(0, 10)
    expect(nextUp(campaign, new Set(), day).map((p) => p.id)).toEqual(planned.slice(0, 2).map((p) => p.id))
    const settled = new Set(planned.slice(0, 2).map((p) => p.id))
    expect(nextUp(campaign, settled, day).map((p) => p.id)).toEqual(planned.slice(2).map((p) => p.id))
    expect(isOver(campaign, [], new Set())).toBe(false)
    const aside = { planned: planned.map((p) => ({ ...p, setAside: 'no time' })) } as Campaign
    expect(isOver(aside, [], new Set())).toBe(true)
    const [one, ...rest] = aside.planned.map((p) => p.id)
    const back = {
      planned: aside.planned.map((p) => (p.id === one ? { ...p, setAside: null } : p)),
    } as Campaign
    const spoilt = [{ planned: { plannedId: one }, state: 'spoilt' }] as unknown as Parameters<
      typeof isOver
    >[1]
    expect(rest.length).toBeGreaterThan(0)
    // One that runs, or has to be run again, is not over.
    expect(isOver(back, [], new Set([one]))).toBe(false)
    expect(isOver(back, spoilt, new Set())).toBe(false)
    expect(isOver({ planned: [] as Campaign['planned'] } as Campaign, [], new Set())).toBe(false)
  })
})

it('has several spans a day in their order; what overlaps is one stretch', () => {
  const spans = [
    { from: '12:00', to: '13:00' },
    { from: '6:30', to: '7:45' },
    { from: '22:00', to: '0:30' },
  ]
  const week = [{ from: '18:30', to: '22:30', also: spans }, ...Array(6).fill(null)]
  const [early, noon, evening, next] = windowsOf({ startDate: '2026-03-02', week, daysOff: [] })
  const lengths = [early, noon, evening].map((w) => (w.endS - w.startS) / HOUR)
  expect(lengths).toEqual([1.25, 1, 6])
  expect(noon.startS - early.startS).toBe(5.5 * HOUR)
  expect(new Set([early.day, noon.day, evening.day])).toEqual(new Set(['2026-03-02']))
  expect(next.day).toBe('2026-03-09')
})

it('lays runs on several ports of one source at once only where that is wanted', () => {
  const source = blankSource({
    id: 's',
    name: 'Gangway',
    kind: 'wall charger',
    ratedWatts: 65,
    ports: [portOf('5V3A'), portOf('9V3A'), portOf('20V3A')],
  })
  const means = { ...usualMeans(), lanes: 4, meters: 4 }
  const jobs = ['a', 'b', 'c', 'd'].map((device) => ({
    id: device,
    device,
    source: 's',
    pair: device,
    chargeS: HOUR,
    prepS: 0,
  }))
  const day = [{ startS: 0, endS: 4 * HOUR, day: '1' }]
  const ends = (sharePorts: boolean) => {
    const { placed } = schedule(jobs, day, timetableMeans({ ...means, sharePorts }, [source]), {
      seed: 1,
      readyFromS: 0,
    })
    return placed.map((p) => p.endS / HOUR).sort()
  }
  expect(ends(false)).toEqual([1, 2, 3, 4])
  expect(ends(true)).toEqual([1, 1, 1, 2])
})

it('counts hours as they pass in the night in which clocks are changed', () => {
  vi.stubEnv('TZ', 'America/New_York')
  const nightOf = (startDate: string) => {
    const night = { from: '22:00', to: '06:00' }
    const [{ startS, endS }] = windowsOf({ startDate, week: Array(7).fill(night), daysOff: [] })
    return (endS - startS) / HOUR
  }
  // By the US rule: at 2:00 on 8 March an hour forward, on 1 November an hour back.
  const nights = ['2026-03-06', '2026-03-07', '2026-10-31'].map(nightOf)
  vi.unstubAllEnvs()
  expect(nights).toEqual([8, 7, 9])
})

it('lets free hours run past midnight, and leaves out what has passed', () => {
  const late = {
    startDate: '2026-03-02',
    week: [{ from: '22:00', to: '01:30' }, ...Array(6).fill(null)],
    daysOff: [],
  }
  const [first, second] = windowsOf(late)
  expect(first.endS - first.startS).toBe(3.5 * HOUR)
  // The same hour of the same weekday, however clocks were changed in between.
  expect(second.startS).toBe(new Date(2026, 2, 9, 22).getTime() / 1000)
  const [rest] = windowsOf(late, new Date((first.startS + HOUR) * 1000))
  expect([rest.startS, rest.endS]).toEqual([first.startS + HOUR, first.endS])
  expect(momentIn(first, '22:30')).toBe(first.startS + 0.5 * HOUR)
  expect(momentIn(first, '1:00')).toBe(first.startS + 3 * HOUR)
  expect(windowsOf({ ...late, startDate: 'soon' })).toEqual([])
})
