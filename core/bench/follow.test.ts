import { describe, expect, it } from 'vitest'
import { ShownLevels } from './levels'
import { isByHand, isSimulatedFeed, laneSetupSchema, speedOf, type Feed } from './setup'
import { setupFixture } from './bench.fixture'
import { readSession, readSetup, readStrip } from './session'
import { answered, fedBy, rigByProtocol } from './strip'
import { SCHOOLS } from '../protocol/schools'
import { TaperWatch } from './taperWatch'

const shown = (...list: [t: number, percent: number][]) => {
  const levels = new ShownLevels()
  list.forEach(([t, percent]) => levels.add(t, percent))
  return levels
}

describe('levels of a run so far', () => {
  it('keep the first and the last sight of a level that stands still', () => {
    const levels = shown([0, 5], [1, 5], [2, 5], [3, 5], [4, 6], [5, 5], [6, 5])
    expect(levels.list()).toEqual([
      { t: 0, percent: 5 },
      { t: 3, percent: 5 },
      { t: 4, percent: 6 },
      { t: 5, percent: 5 },
      { t: 6, percent: 5 },
    ])
    expect([levels.first, levels.last]).toEqual([
      { t: 0, percent: 5 },
      { t: 6, percent: 5 },
    ])
    expect(shown().list()).toEqual([])
  })
  it('know when each point was first shown or passed', () => {
    const levels = shown([0, 5], [60, 8], [120, 7])
    expect([5, 6, 8, 9, 7.2].map((p) => levels.firstAt(p))).toEqual([0, 60, 60, null, 60])
  })
  it('are thinned evenly once they are too many, and go on at that distance', () => {
    const levels = new ShownLevels()
    for (let i = 0; i <= 1200; i++) levels.add(i, i % 3)
    // 1,201 points over 1,200 s: every second one stays.
    expect(levels.list()).toHaveLength(601)
    expect(levels.list()[1].t - levels.list()[0].t).toBe(2)
    levels.add(1201, 5)
    expect(levels.list()).toHaveLength(601)
    levels.add(1202, 6)
    expect(levels.list()).toHaveLength(602)
    expect(levels.last).toEqual({ t: 1202, percent: 6 })
    for (let i = 1203; i < 10_000; i++) levels.add(i, i % 3)
    expect(levels.list().length).toBeLessThanOrEqual(1201)
    expect(levels.list().length).toBeGreaterThan(500)
  })
})

describe('a current that all but stops', () => {
  const watched = (list: [t: number, watts: number][]) => {
    const taper = new TaperWatch()
    list.forEach(([t, w]) => taper.add(t, w))
    return taper.endedAt
  }
  const steady = (from: number, to: number, watts: number, step = 10): [number, number][] =>
    Array.from({ length: (to - from) / step + 1 }, (_, i) => [from + i * step, watts])

  it('has stopped after a minute below a twentieth of what was held for one', () => {
    expect(watched([...steady(0, 120, 20), ...steady(130, 180, 0.9)])).toBeNaN()
    expect(watched([...steady(0, 120, 20), ...steady(130, 190, 0.9)])).toBe(130)
    // Exactly a twentieth is not below it.
    expect(watched([...steady(0, 120, 20), ...steady(130, 300, 1)])).toBeNaN()
  })
  it('has not, where nothing flowed', () => {
    expect(watched(steady(0, 300, 0))).toBeNaN()
  })
  it('begins anew after a silence, and where the current comes back', () => {
    const quiet: [number, number][] = [...steady(0, 120, 20), ...steady(130, 170, 0.5)]
    expect(watched([...quiet, [240, 0.5]])).toBeNaN()
    expect(watched([...quiet, ...steady(240, 300, 0.5)])).toBe(240)
    expect(watched([...quiet, [180, 20], ...steady(190, 240, 0.5)])).toBeNaN()
    expect(watched([...quiet, [180, 20], ...steady(190, 250, 0.5)])).toBe(190)
  })
  it('counts a reading that is out of order for nothing', () => {
    expect(watched([...steady(0, 120, 20), ...steady(130, 180, 0.9), [60, 20], [190, 0.9]])).toBe(130)
  })
  it('measures what was held by the minute, not by one strong reading', () => {
    // 40 W for ten seconds in a minute of 10 W is held at 12.5 W (straight lines): a twentieth is 0.625 W.
    const spiked: [number, number][] = [...steady(0, 60, 10), [70, 40], ...steady(80, 140, 10)]
    expect(watched([...spiked, ...steady(150, 210, 0.8)])).toBeNaN()
    expect(watched([...spiked, ...steady(150, 210, 0.6)])).toBe(150)
  })
})

describe('where readings come from', () => {
  const feeds: Feed[] = [
    { kind: 'hand' },
    { kind: 'simulated', seed: 1, speed: 60 },
    { kind: 'instruments', ids: ['m'], simulated: false },
    { kind: 'instruments', ids: ['m'], simulated: true },
    { kind: 'own-battery' },
  ]
  it('is told of each kind', () => {
    expect(feeds.map((feed) => isByHand({ feed }))).toEqual([true, false, false, false, false])
    expect(feeds.map((feed) => isSimulatedFeed({ feed }))).toEqual([false, true, false, true, false])
    expect(feeds.map((feed) => speedOf({ feed }))).toEqual([1, 60, 1, 1, 1])
  })
  it('is kept as it is, and refused where it cannot be', () => {
    for (const feed of feeds) expect(laneSetupSchema.validateSync(setupFixture({ feed })).feed).toEqual(feed)
    const many = { kind: 'instruments', ids: Array.from({ length: 17 }, (_, i) => `m${i}`) }
    for (const feed of [null, {}, { kind: 'guess' }, { kind: 'simulated', seed: 1, speed: 0 }, many])
      expect(() => laneSetupSchema.validateSync(setupFixture({ feed: feed as never }))).toThrow()
  })
})

describe('what the bench had in hand', () => {
  const setup = setupFixture({ runId: 'a' })
  it('comes back lane by lane; one that does not hold is set apart as it is', () => {
    const broken = { ...setup, deviceId: '' }
    const anchor = { wallMs: 5, uptimeS: 7, bootId: 'b' }
    expect(
      readSession({ number: 3, wallShiftMs: 9, anchor, lanes: [setup, broken], apart: ['old'] }),
    ).toEqual({
      schemaVersion: 3,
      number: 3,
      wallShiftMs: 9,
      anchor,
      lanes: [setup],
      apart: ['old', broken],
    })
  })
  it('is an empty bench where nothing can be read of it', () => {
    const empty = { schemaVersion: 3, number: 0, wallShiftMs: 0, anchor: null, lanes: [], apart: [] }
    for (const stored of [null, 'x', {}, { number: NaN, wallShiftMs: '9', anchor: {}, lanes: 5, apart: 5 }])
      expect(readSession(stored)).toEqual(empty)
    expect(readSession({ anchor: { wallMs: 5, uptimeS: 'x', bootId: 9 } }).anchor).toEqual({
      wallMs: 5,
      uptimeS: null,
      bootId: null,
    })
    expect(readSetup('x')).toBeUndefined()
  })
  it('knows a lane of the first version by its interval and its start level', () => {
    const { reading: _r, start: _s, heat: _h, checklist: _c, planned: _p, gear: _g, ...first } = setup
    const read = readSetup({ ...first, intervalS: 600, startPercent: 4 })
    expect(read).toMatchObject({
      reading: { kind: 'every', seconds: 600 },
      start: { percent: 4, read: true },
      planned: null,
    })
  })
  it('has the strip too, without what does not hold', () => {
    const place = { campaignId: 'c', plannedId: 'p' }
    const rigged = {
      id: 'l',
      ...rigByProtocol(
        { deviceId: 'd', sourceId: 's', cableId: null, planned: place },
        SCHOOLS[0],
        null,
        'f',
      ),
    }
    expect(rigged.choice).toMatchObject({ checklist: [], planned: place, conditions: { fedFromId: 'f' } })
    expect(readStrip([rigged])).toEqual([rigged])
    const { start: _start, ...before } = rigged.choice
    const { plannedPercent: _planned, ...rest } = rigged
    const [older] = readStrip([{ ...rest, choice: { ...before, startPercent: 7 } }])
    expect([older.choice.start, older.plannedPercent]).toEqual([{ percent: 7, read: false }, 7])
    for (const stored of [
      null,
      'x',
      [
        null,
        5,
        {},
        { choice: 'x' },
        { ...rigged, items: [{ id: 5, text: 'x' }] },
        { ...rigged, items: [null] },
        { ...rigged, items: [{ id: 'x' }] },
        { ...rigged, id: '' },
      ],
    ])
      expect(readStrip(stored)).toEqual([])
  })
  it('takes a start level as read only where it was, and lets a lane be fed otherwise', () => {
    const place = { campaignId: 'c', plannedId: 'p' }
    const lane = {
      id: 'l',
      ...rigByProtocol({ deviceId: 'd', sourceId: 's', cableId: null, planned: place }, SCHOOLS[0], null),
    }
    const [level, other] = lane.items
    const planned = lane.choice.start
    const done = answered(lane, level, 'done', 3, 'now')
    expect(done.choice.start).toEqual({ percent: 3, read: true })
    expect(answered(done, level, 'skipped', 3, 'now').choice.start).toEqual(planned)
    expect(answered(done, level, 'done', null, 'now').choice.start).toEqual(planned)
    expect(answered(done, level, undefined, null, 'now').choice).toMatchObject({
      start: planned,
      checklist: [],
    })
    const both = answered(done, other, 'done', null, 'now')
    expect(both.choice.start).toEqual({ percent: 3, read: true })
    expect(answered(both, other, 'skipped', null, 'later').choice.checklist.map((a) => a.answer)).toEqual([
      'done',
      'skipped',
    ])
    expect(fedBy(lane, { kind: 'own-battery' }).choice).toMatchObject({
      feed: { kind: 'own-battery' },
      reading: { kind: 'meter', seconds: 1 },
    })
    expect(fedBy(lane, { kind: 'hand' }).choice).toEqual(lane.choice)
  })
})
