import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { blankSource } from '../gear/blanks'
import { blankDevice, type Device } from '../gear/deviceFields'
import type { Source } from '../gear/gear'
import type { Arrangement } from './arrangement'
import { usualMeans, type Campaign, type PlannedRun } from './campaign'
import { jobOf, openRuns, placedFrom, readyFrom, slotOf, timetableMeans } from './jobs'
import { cellProgress, countStates, isOver, nextUp, settledRuns, stateOf, type MadeRun } from './progress'
import { pairsFor, QUESTIONS } from './questions'
import type { Saving } from './savings'
import type { Placed } from './timetable'
import { writeHours } from '../words/moments'
import { lengthInWords, limitInWords, obstacleInWords, savingInWords } from './words'

const names = { device: (id: string) => `dev ${id}`, source: (id: string) => `src ${id}` }
const HOUR = 3600
/** Half past seven in the evening, on the wall of this machine. */
const EVENING = new Date(2026, 2, 2, 19, 30).getTime() / 1000
const monday = new Date(2026, 2, 2).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' }) // prettier-ignore
const plain = (text: string) => text.replaceAll('\u00a0', ' ')
const by: Placed = {
  job: { id: 'j', device: 'p', source: 's', pair: 'p s', chargeS: HOUR, prepS: 0 },
  startS: EVENING,
  endS: EVENING + HOUR,
  unit: 0,
  lane: 0,
  window: 0,
}

describe('what stands in the way, in words', () => {
  beforeAll(() => writeHours('24'))
  afterAll(() => writeHours('auto'))
  it.each([
    [{ rule: 'outside-hours' }, 'That moment lies outside the free hours.'],
    [
      { rule: 'does-not-fit', needsS: 2 * HOUR, leftS: 1800 },
      'It needs 2 h 0 min; only 30 min are left in these hours.',
    ],
    [{ rule: 'source-busy', by }, 'The src s is taken until 20:30, by dev p from src s.'],
    [{ rule: 'unit-busy', by }, 'The dev p is charging until 20:30.'],
    [
      { rule: 'unit-not-ready', by, readyS: EVENING },
      `The dev p must be drained and rested first: it is ready at ${monday}, 19:30.`,
    ],
    [
      { rule: 'unit-not-ready', by: null, readyS: EVENING },
      `The device cannot be drained and rested before ${monday}, 19:30.`,
    ],
    [
      { rule: 'next-not-ready', by },
      `The dev p would not be drained and rested in time for its next run at ${monday}, 19:30.`,
    ],
    [
      { rule: 'lanes-busy', atOnce: 1 },
      'Another run is on the bench then, and the plan allows one at a time.',
    ],
    [{ rule: 'lanes-busy', atOnce: 3 }, 'All 3 lanes with a meter are taken then.'],
    [
      { rule: 'same-day', by },
      'A repeat of this pair stands on that day already; repeats are spread over days.',
    ],
    [{ rule: 'no-window' }, 'There is no room for it in these hours.'],
  ] as const)('%j', (obstacle, words) => expect(plain(obstacleInWords(obstacle, names))).toBe(words))
})

describe('what a timetable comes to, in words', () => {
  const limit = (kind: 'unit' | 'source' | 'strip' | 'repeats', windows = 3) =>
    limitInWords({ kind, id: 'x', windows, freeS: 0 }, names)
  it('what limits it', () => {
    expect(limitInWords(null, names)).toBe('')
    expect(limit('unit')).toBe(
      'The dev x limits it: draining, resting and charging alone take 3 stretches of free hours.',
    )
    expect(limit('source', 1)).toBe('The src x limits it: its runs alone take 1 stretch of free hours.')
    expect(limit('strip')).toBe(
      'The lanes and meters limit it: with all of them busy the runs take 3 stretches of free hours.',
    )
    expect(limit('repeats')).toBe(
      'The repeats limit it: spread over days they take 3 stretches of free hours.',
    )
  })
  it('what one more of something would save', () => {
    const saving = (what: Saving['what'], windowsSaved: number, deviceId: string | null = null) =>
      savingInWords({ what, deviceId, windowsSaved, endsS: null }, names)
    expect(saving('meter', 2)).toBe('One more meter would save 2 stretches of free hours.')
    expect(saving('lane', 1)).toBe('One more lane would save 1 stretch of free hours.')
    expect(saving('meter-and-lane', 0)).toBe('One more meter on one more lane would save nothing.')
    expect(saving('unit', 0, 'p')).toBe('One more dev p would save nothing.')
    expect(saving('unit', 0)).toBe('One more unit would save nothing.')
    expect(saving('side-by-side', 0)).toBe('Letting runs stand side by side would save nothing.')
  })
  it('its length against the least possible', () => {
    const length = (over: Partial<Arrangement>) =>
      plain(
        lengthInWords({
          windowsUsed: 4,
          leastWindows: 3,
          freeS: 6 * HOUR,
          leastS: 5 * HOUR,
          ...over,
        } as Arrangement),
      )
    expect(length({ windowsUsed: 0 })).toBe('Nothing is laid out yet.')
    expect(length({})).toBe(
      '4 stretches of free hours, at least 3 are needed; 6 h 0 min of free time until the end, 20 % over the least possible.',
    )
    expect(length({ leastWindows: 1 })).toContain('at least 1 is needed')
    expect(length({ leastWindows: 4, leastS: 6 * HOUR })).toBe(
      '4 stretches of free hours, and no fewer would do; 6 h 0 min of free time until the end, 0 % over the least possible.',
    )
    expect(length({ leastS: 0 })).toContain(', 0 % over')
    expect(length({ leastS: 7 * HOUR })).toContain(', 0 % over')
  })
})

describe('a question begins with', () => {
  const device = (id: string, over: Partial<Device> = {}) =>
    blankDevice({ id, name: id, kind: 'phone', ...over })
  const source = (id: string, ratedWatts: number, kind: Source['kind'] = 'wall charger') =>
    blankSource({ id, name: id, kind, ratedWatts })
  const devices = [
    device('old'),
    device('coil', { wirelessWatts: 15 }),
    device('top', { kind: 'laptop' }),
    device('said', { claims: 'half in 30 min' }),
  ]
  const sources = [source('b12', 12), source('g65', 65), source('pad', 90, 'wireless pad')]
  const pairs = (id: string, of = devices, from = sources) => {
    const question = QUESTIONS.find((q) => q.id === id)!
    return pairsFor(question, of, from).map((p) => `${p.deviceId} ${p.sourceId} ${p.repeats}`)
  }
  it('one device over all sources it can be put on', () => {
    expect(pairs('many-sources')).toEqual(['old b12 2', 'old g65 2'])
    expect(pairs('top-up', [devices[1]])).toEqual(['coil b12 3', 'coil g65 3', 'coil pad 3'])
  })
  it('all devices on the strongest source with a plug, or one pair, or the whole grid', () => {
    expect(pairs('many-devices')).toEqual(['old g65 2', 'coil g65 2', 'top g65 2', 'said g65 2'])
    expect(pairs('whole-curve')).toEqual(['old g65 3'])
    expect(pairs('at-all', devices.slice(0, 2))).toEqual([
      'old b12 1',
      'old g65 1',
      'old pad 1',
      'coil b12 1',
      'coil g65 1',
      'coil pad 1',
    ])
  })
  it('the device that it is about: a laptop, one with a coil, one with a claim', () => {
    expect(pairs('under-load')[0]).toBe('top b12 3')
    expect(pairs('wireless')).toEqual(['coil g65 2', 'coil pad 2'])
    expect(pairs('claim')).toEqual(['said g65 3'])
    for (const id of ['under-load', 'wireless', 'claim']) expect(pairs(id, [devices[0]])[0]).toMatch(/^old /)
  })
  it('nothing, without a device or a source with a plug', () => {
    expect(pairs('many-sources', [])).toEqual([])
    expect(pairs('at-all', devices, [sources[2]])).toEqual([])
  })
})

describe('where planned runs stand', () => {
  const planned = (id: string, over: Partial<PlannedRun> = {}): PlannedRun => ({
    id, deviceId: 'p', sourceId: id < 'c' ? 's' : 't', cableId: null, repeat: 1, slot: null, pinned: false, setAside: null, ...over,
  }) // prettier-ignore
  const made = (plannedId: string, state: MadeRun['state']): MadeRun => ({ planned: { plannedId }, state })
  const campaign = { planned: ['a', 'b', 'c', 'd', 'e'].map((id) => planned(id)) } as Campaign
  const runs = [
    made('a', 'spoilt'),
    made('a', 'done'),
    made('b', 'spoilt'),
    made('b', 'spoilt'),
    made('c', 'set-aside'),
    made('d', 'short'),
    { planned: null, state: 'done' as const },
  ]
  const running = new Set(['e'])

  it('is told by the runs made for them', () => {
    expect(campaign.planned.map((p) => stateOf(p, runs, running))).toEqual([
      'done',
      'spoilt',
      'set-aside',
      'planned',
      'running',
    ])
    expect(stateOf(planned('z', { setAside: 'no time' }), [], running)).toBe('set-aside')
    expect(countStates(campaign, runs, running)).toEqual({
      planned: 1,
      running: 1,
      done: 1,
      spoilt: 1,
      'set-aside': 1,
    })
    expect([...settledRuns(campaign, runs, running)]).toEqual(['a', 'c', 'e'])
  })
  it('is counted by cell, each spoilt run once', () => {
    const cells = cellProgress(campaign, runs, running)
    expect(cells.get('p s ')).toEqual({ wanted: 2, done: 1, running: 0, spoilt: 3, setAside: 0, missing: 1 })
    expect(cells.get('p t ')).toEqual({ wanted: 3, done: 0, running: 1, spoilt: 0, setAside: 1, missing: 1 })
    expect(cells.size).toBe(2)
  })
  it('is over when nothing is wanted any more, and never before anything was planned', () => {
    const of = (...ids: string[]) => ({ planned: ids.map((id) => planned(id)) }) as Campaign
    expect(isOver(of('a'), runs, running)).toBe(true)
    expect(['b', 'd', 'e'].map((id) => isOver(of('a', id), runs, running))).toEqual([false, false, false])
    expect(isOver(of(), runs, running)).toBe(false)
  })
  it('comes up in the order of the day, and what has no place not at all', () => {
    const at = (id: string, startsAt: string, over: Partial<PlannedRun> = {}) =>
      planned(id, { slot: { startsAt, chargeS: 1, prepS: 0, unit: 0, lane: 0 }, ...over })
    const list = [
      at('a', '2026-03-02T20:00:00Z'),
      at('b', '2026-03-02T18:00:00Z'),
      at('c', '2026-03-01T18:00:00Z', { setAside: 'x' }),
      planned('d'),
      at('e', '2026-03-03T18:00:00Z'),
    ]
    expect(
      nextUp({ planned: list } as Campaign, new Set(), (iso) => iso.slice(0, 10)).map((p) => p.id),
    ).toEqual(['b', 'a'])
    expect(nextUp({ planned: [] } as unknown as Campaign, new Set(), (iso) => iso)).toEqual([])
  })

  it('goes from a campaign’s words to the timetable’s and back', () => {
    const windows = [
      { startS: EVENING, endS: EVENING + 4 * HOUR, day: '1' },
      { startS: EVENING + 86_400, endS: EVENING + 90_000, day: '2' },
    ]
    const slot = {
      startsAt: new Date((EVENING + HOUR) * 1000).toISOString(),
      chargeS: HOUR,
      prepS: 60,
      unit: 1,
      lane: 2,
    }
    const [place] = placedFrom(planned('a', { slot }), windows)
    expect(place).toMatchObject({
      startS: EVENING + HOUR,
      endS: EVENING + 2 * HOUR,
      unit: 1,
      lane: 2,
      window: 0,
      job: { id: 'a', device: 'p', source: 's', pair: 'p s ' },
    })
    expect(slotOf(place)).toEqual(slot)
    const from = (s: number) =>
      placedFrom(planned('a', { slot: { ...slot, startsAt: new Date(s * 1000).toISOString() } }), windows)
    expect([
      from(EVENING).length,
      from(EVENING - 1).length,
      from(EVENING + 4 * HOUR).length,
      from(EVENING + 86_400)[0].window,
    ]).toEqual([1, 0, 0, 1])
    expect(placedFrom(planned('a'), windows)).toEqual([])
    const expected = new Map([['p s ', { slotS: 5, prepS: 3 } as never]])
    expect(jobOf(planned('a'), expected)).toEqual([
      { id: 'a', device: 'p', source: 's', pair: 'p s ', chargeS: 5, prepS: 3 },
    ])
    expect(jobOf(planned('d'), expected)).toEqual([])
    expect(readyFrom(windows)).toBe(EVENING - 86_400)
    expect(readyFrom([])).toBe(-86_400)
    const aside = planned('b', { setAside: 'x' })
    expect(
      openRuns({ planned: [planned('a'), aside, planned('c')] } as Campaign, new Set(['c'])).map((p) => p.id),
    ).toEqual(['a'])
    expect(timetableMeans({ ...usualMeans(), lanes: 5, meters: 3, units: { p: 2 } }, [])).toEqual({
      atOnce: 3,
      units: { p: 2 },
      ports: {},
      attended: false,
    })
    expect(timetableMeans({ ...usualMeans(), lanes: 5, meters: 0 }, []).atOnce).toBe(5)
    expect(timetableMeans({ ...usualMeans(), lanes: 5, sideBySide: false }, []).atOnce).toBe(1)
  })
})
