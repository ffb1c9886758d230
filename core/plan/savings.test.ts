import { describe, expect, it } from 'vitest'
import { blankSource, portOf } from '../gear/blanks'
import { blankDevice } from '../gear/deviceFields'
import { SCHOOLS } from '../protocol/schools'
import { arrange } from './arrange'
import { plannedRunsFor, usualMeans, type BenchMeans, type Campaign } from './campaign'
import { moveRun } from './moveRun'
import { savings } from './savings'
import { study } from './study'
import { eveningsOnly, windowsOf } from './windows'

const device = (id: string) =>
  blankDevice({ id, name: id, kind: 'phone', capacityWh: 16, maxWatts: 20, fixedVolts: [9] })
const source = (id: string) =>
  blankSource({ id, name: id, kind: 'wall charger', ratedWatts: 20, ports: [portOf('5V3A, 9V2.22A')] })
const gear = {
  devices: ['p', 'q', 'r', 'u'].map(device),
  sources: ['a', 'b', 'c', 'd'].map(source),
  cables: [],
  curves: {},
}
/** Four phones on four chargers, an hour's top-up each, found as they are: only lanes and meters keep them apart. */
function campaign(means: Partial<BenchMeans> = {}, over: Partial<Campaign> = {}): Campaign {
  const pairs = gear.devices.map((d, i) => ({
    deviceId: d.id,
    sourceId: gear.sources[i].id,
    cableId: null,
    repeats: 1,
  }))
  let n = 0
  return {
    id: 'c',
    name: 'c',
    questionId: 'top-up',
    protocol: {
      ...SCHOOLS.find((p) => p.id === 'top-up')!,
      stop: { kind: 'duration', seconds: 3.5 * 3600 },
      startWay: 'as-found',
      restMinutes: 0,
    },
    pairs,
    availability: { startDate: '2026-03-02', week: eveningsOnly(), daysOff: [] },
    means: { ...usualMeans(), setupMinutes: 0, ...means },
    planned: plannedRunsFor(pairs, [], () => false, () => `run-${++n}`), // prettier-ignore
    putBack: [],
    createdAt: '2026-03-01T12:00:00.000Z',
    ...over,
  }
}
const settled = new Set<string>()
const saved = (means: Partial<BenchMeans>) => {
  const c = campaign(means)
  const base = arrange(c, gear, { settled })
  return [
    base.windowsUsed,
    savings(c, gear, base, { settled }).map((s) => [s.what, s.deviceId, s.windowsSaved]),
  ] as const
}

describe('what one more of something would save', () => {
  it('side by side first, where runs may not stand so', () =>
    expect(saved({ sideBySide: false, lanes: 2, meters: 2 })).toEqual([
      4,
      [
        ['side-by-side', null, 2],
        ['unit', 'p', 0],
      ],
    ]))
  it('a meter where lanes stand idle for want of one, a lane where there are more meters or none is needed', () => {
    expect(saved({ lanes: 2, meters: 1 })).toEqual([
      4,
      [
        ['meter', null, 2],
        ['unit', 'p', 0],
      ],
    ])
    expect(saved({ lanes: 1, meters: 3 })[1][0]).toEqual(['lane', null, 2])
    expect(saved({ lanes: 1, meters: 0 })[1][0]).toEqual(['lane', null, 2])
  })
  it('both where there are as many of one as of the other', () =>
    expect(saved({ lanes: 1, meters: 1 })[1][0]).toEqual(['meter-and-lane', null, 2]))
  it('a unit of the device that limits', () => {
    const pairs = gear.sources.map((s) => ({ deviceId: 'q', sourceId: s.id, cableId: null, repeats: 1 }))
    let n = 0
    const one = campaign({ lanes: 4, meters: 4 }, { pairs, planned: plannedRunsFor(pairs, [], () => false, () => `x${++n}`) }) // prettier-ignore
    const base = arrange(one, gear, { settled })
    expect(base.limit).toMatchObject({ kind: 'unit', id: 'q' })
    const [, unit] = savings(one, gear, base, { settled })
    expect([unit.what, unit.deviceId, unit.windowsSaved]).toEqual(['unit', 'q', 2])
    expect(unit.endsS).toBeLessThan(base.endsS!)
  })
})

it('offers a unit of the device with the most work for each unit that there is', () => {
  // Of q there are two runs and of r three; but two units of r share them.
  const pairs = [
    ...['a', 'b'].map((sourceId) => ({ deviceId: 'q', sourceId, cableId: null, repeats: 1 })),
    ...['a', 'b', 'c'].map((sourceId) => ({ deviceId: 'r', sourceId, cableId: null, repeats: 1 })),
    { deviceId: 'p', sourceId: 'd', cableId: null, repeats: 1 },
  ]
  let n = 0
  const planned = plannedRunsFor(pairs, [], () => false, () => `y${++n}`) // prettier-ignore
  const offered = (units: Record<string, number>) => {
    const c = campaign({ sideBySide: false, units }, { pairs, planned })
    return savings(c, gear, arrange(c, gear, { settled }), { settled }).find((s) => s.what === 'unit')
      ?.deviceId
  }
  expect(offered({})).toBe('r')
  expect(offered({ r: 2 })).toBe('q')
})

describe('a timetable as it stands', () => {
  const laid = (c: Campaign) => ({ ...c, planned: arrange(c, gear, { settled }).planned })
  it('is told as it was laid, and moves nothing', () => {
    const c = laid(campaign({ lanes: 2, meters: 2 }))
    const told = study(c, gear, { settled })
    expect(told.planned).toBe(c.planned)
    expect(told).toMatchObject({ windowsUsed: 2, leastWindows: 2, unplaceable: [] })
  })
  it('names what has no place: too long for any stretch, or simply left', () => {
    const c = campaign({ lanes: 2, meters: 2 })
    expect(study(c, gear, { settled }).unplaceable.map((u) => [u.plannedId, u.reason])).toEqual([
      ['run-1', 'no-room'], ['run-2', 'no-room'], ['run-3', 'no-room'], ['run-4', 'no-room'],
    ]) // prettier-ignore
    const long = campaign({}, { protocol: { ...c.protocol, stop: { kind: 'duration', seconds: 5 * 3600 } } })
    const [first] = study(long, gear, { settled }).unplaceable
    expect(first).toMatchObject({ reason: 'too-long', needsS: 5 * 3600, longestS: 4 * 3600 })
    expect(arrange(long, gear, { settled }).unplaceable).toHaveLength(4)
    expect(study(c, gear, { settled: new Set(['run-1', 'run-2']) }).unplaceable).toHaveLength(2)
  })
  it('leaves a run that was put by hand where it is when the rest is laid anew', () => {
    const c = laid(campaign({ lanes: 1, meters: 1 }))
    const windows = windowsOf(c.availability)
    const moved = moveRun(c, gear, 'run-1', windows[6].startS, settled)
    if (!moved.ok) throw new Error(moved.obstacle.rule)
    const [one] = moved.planned.filter((p) => p.id === 'run-1')
    expect([Date.parse(one.slot!.startsAt) / 1000, one.pinned]).toEqual([windows[6].startS, true])
    const again = arrange({ ...c, planned: moved.planned }, gear, { settled })
    expect(again.planned.find((p) => p.id === 'run-1')!.slot).toEqual(one.slot)
    expect(again.windowsUsed).toBe(7)
    const busy = moveRun({ ...c, planned: moved.planned }, gear, 'run-2', windows[6].startS + 1800, settled)
    expect(busy).toMatchObject({ ok: false, obstacle: { rule: 'lanes-busy', atOnce: 1 } })
    const late = moveRun(c, gear, 'run-2', windows[8].startS + 3600, settled)
    expect(late).toMatchObject({ ok: false, obstacle: { rule: 'does-not-fit', leftS: 3 * 3600 } })
    expect(moveRun(c, gear, 'run-2', windows[0].startS - 1, settled)).toEqual({
      ok: false,
      obstacle: { rule: 'outside-hours' },
    })
    expect(moveRun(c, gear, 'none', windows[0].startS, settled)).toEqual({
      ok: false,
      obstacle: { rule: 'no-window' },
    })
  })
})
