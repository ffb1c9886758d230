import { describe, expect, it } from 'vitest'
import { blankSource } from '../gear/blanks'
import { dayAndTime, fullDay } from '../words/moments'
import { blankDevice } from '../gear/deviceFields'
import type { Observation } from '../gear/gear'
import type { Campaign } from '../plan/campaign'
import { noConditions } from '../protocol/runConditions'
import { COLLECTIONS, recordInWords, type CollectionName, type Records } from './collections'
import { blankRun, isSimulated, isSound, RUN_STATES, type Run } from './run'
import type { WriteUp } from './writeUp'

const WHEN = '2026-03-02T20:00:00.000Z'
const LATER = '2026-03-03T20:00:00.000Z'
const run = (over: Partial<Run> = {}): Run =>
  blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:30.000Z', ...over })
const device = (name: string) => blankDevice({ id: name, name, kind: 'phone' })
const source = (name: string, ratedWatts: number, fedFromId: string | null = null) =>
  blankSource({ id: name, name, kind: 'wall charger', ratedWatts, fedFromId })
const observation = (when: string): Observation =>
  ({ id: 'o', deviceId: 'd', sourceId: 's', cableId: 'c', outcome: 'charges', note: '', when }) as Observation
const sorted = <K extends CollectionName>(name: K, records: Records[K][]) =>
  [...records].sort((a, b) => COLLECTIONS[name].order(a, b))

describe('a record in a sentence', () => {
  it('goes by its name, or by its day and time where it has none', () => {
    expect(recordInWords('devices', device('Skerry P5'))).toBe('the device Skerry P5')
    expect(recordInWords('sources', source('Hawser 20', 20))).toBe('the source Hawser 20')
    expect(recordInWords('observations', observation(WHEN))).toBe(`the observation of ${fullDay(WHEN)}`)
    expect(recordInWords('runs', run())).toBe(`the run of ${dayAndTime(run().startedAt)}`)
    expect(recordInWords('writeUps', { title: 'On board' } as WriteUp)).toBe('the write-up On board')
    const called = { cables: 'cable', meters: 'meter', protocols: 'protocol', campaigns: 'campaign' } as const
    for (const [name, word] of Object.entries(called))
      expect(recordInWords(name as 'cables', { name: 'it' } as Records['cables'])).toBe(`the ${word} it`)
  })
})

describe('screens show', () => {
  it('gear by name, sources by watts and then by name', () => {
    expect(sorted('devices', [device('Thwart'), device('Skerry')]).map((d) => d.name)).toEqual([
      'Skerry',
      'Thwart',
    ])
    const sources = [source('Hawser', 20), source('Bollard', 5), source('Gangway', 20)]
    expect(sorted('sources', sources).map((s) => s.name)).toEqual(['Bollard', 'Gangway', 'Hawser'])
  })
  it('what was made at a moment by that moment', () => {
    const of = (when: string) => ({ when, createdAt: when, startedAt: when })
    for (const name of ['observations', 'campaigns', 'writeUps', 'runs'] as const) {
      const list = sorted(name, [of(LATER), of(WHEN)] as unknown as Records[typeof name][])
      expect(list).toEqual([of(WHEN), of(LATER)])
    }
  })
})

describe('a merge', () => {
  const correction = { field: 'ratedWatts', from: '18', to: '20', why: 'misread', when: WHEN }
  const entry = { row: 1, t: 300, what: 'percent' as const, from: 5, to: 6, why: 'misread', when: WHEN }
  const answer = { code: 'hot', atS: 5, text: 'sun', when: WHEN }
  const stretch = { fromS: 0, toS: 1, why: 'x', when: WHEN, readings: { time: [0] }, corrections: [] }
  const { merge } = COLLECTIONS.runs

  it('takes the file’s gear, and loses no correction of a rating', () => {
    const mine = { ...source('Hawser', 18), corrections: [correction] }
    const theirs = { ...source('Hawser 20', 20), corrections: [{ ...correction, when: LATER }] }
    const { name, corrections } = COLLECTIONS.sources.merge(mine, theirs)
    expect(name).toBe('Hawser 20')
    expect(corrections.map((c) => c.when)).toEqual([WHEN, LATER])
  })

  it('takes the file’s run where it knows everything that was put right in ours', () => {
    const known = {
      corrections: [entry],
      conditionCorrections: [correction],
      answers: [answer],
      leftOut: [stretch],
    } as unknown as Partial<Run>
    const theirs = run({ ...known, notes: 'theirs' })
    expect(merge(run(known), theirs)).toBe(theirs)
    expect(merge(run(), theirs)).toBe(theirs)
    const more = run({ ...known, corrections: [entry, { ...entry, row: 2 }] })
    expect(merge(run(known), more)).toBe(more)
  })

  it.each([
    ['a value put right', { corrections: [entry] }, { corrections: [{ ...entry, row: 2 }] }],
    ['another column', { corrections: [entry] }, { corrections: [{ ...entry, what: 'power' }] }],
    ['another moment', { corrections: [entry] }, { corrections: [{ ...entry, when: LATER }] }],
    ['one of two', { corrections: [entry, { ...entry, row: 3 }] }, { corrections: [entry] }],
    [
      'a condition',
      { conditionCorrections: [correction] },
      { conditionCorrections: [{ ...correction, field: 'ambientC' }] },
    ],
    [
      'a condition, later',
      { conditionCorrections: [correction] },
      { conditionCorrections: [{ ...correction, when: LATER }] },
    ],
    ['an answer', { answers: [answer] }, { answers: [{ ...answer, code: 'slow' }] }],
    ['an answer, later', { answers: [answer] }, { answers: [{ ...answer, when: LATER }] }],
    ['a stretch left out', { leftOut: [stretch] }, { leftOut: [{ ...stretch, when: LATER }] }],
    ['all of it', { corrections: [entry], conditionCorrections: [correction], answers: [answer] }, {}],
  ])('keeps our run where the file does not know it: %s', (_, ours, file) => {
    const mine = run(ours as unknown as Partial<Run>)
    expect(merge(mine, run(file as unknown as Partial<Run>))).toBe(mine)
  })

  it('keeps the write-up that was changed last, the file’s where both were at once', () => {
    const at = (changedAt: string, title: string) => ({ changedAt, title }) as WriteUp
    const merged = (mine: WriteUp, theirs: WriteUp) => COLLECTIONS.writeUps.merge(mine, theirs).title
    expect(merged(at(LATER, 'mine'), at(WHEN, 'theirs'))).toBe('mine')
    expect(merged(at(WHEN, 'mine'), at(LATER, 'theirs'))).toBe('theirs')
    expect(merged(at(WHEN, 'mine'), at(WHEN, 'theirs'))).toBe('theirs')
  })
})

describe('what a record points at', () => {
  it('of a run: its gear, and what it was measured with and fed from', () => {
    const conditions = { ...noConditions(), meterId: 'm', thermometerId: 't', fedFromId: 'f' }
    expect(COLLECTIONS.runs.references(run({ cableId: 'c', conditions }))).toEqual([
      { field: 'deviceId', to: 'devices', id: 'd' },
      { field: 'sourceId', to: 'sources', id: 's' },
      { field: 'cableId', to: 'cables', id: 'c' },
      { field: 'conditions.meterId', to: 'meters', id: 'm' },
      { field: 'conditions.thermometerId', to: 'meters', id: 't' },
      { field: 'conditions.fedFromId', to: 'sources', id: 'f' },
    ])
    expect(COLLECTIONS.runs.references(run())).toHaveLength(2)
  })
  it('of a campaign: every pair and every planned run, by their place', () => {
    const pair = { deviceId: 'd', sourceId: 's', cableId: null }
    const campaign = { pairs: [pair], planned: [pair, { ...pair, cableId: 'c' }] } as unknown as Campaign
    expect(COLLECTIONS.campaigns.references(campaign).map((r) => `${r.field} ${r.to} ${r.id}`)).toEqual([
      'pairs[0].deviceId devices d',
      'pairs[0].sourceId sources s',
      'planned[0].deviceId devices d',
      'planned[0].sourceId sources s',
      'planned[1].deviceId devices d',
      'planned[1].sourceId sources s',
      'planned[1].cableId cables c',
    ])
  })
  it('of a source what feeds it, of an observation its pair, of the rest nothing', () => {
    expect(COLLECTIONS.sources.references(source('pad', 15, 'brick'))).toEqual([
      { field: 'fedFromId', to: 'sources', id: 'brick' },
    ])
    expect(COLLECTIONS.sources.references(source('brick', 20))).toEqual([])
    expect(COLLECTIONS.observations.references(observation(WHEN)).map((r) => r.id)).toEqual(['d', 's', 'c'])
    expect(COLLECTIONS.devices.references(device('x'))).toEqual([])
    expect(COLLECTIONS.writeUps.references({} as WriteUp)).toEqual([])
  })
})

it('a run counts while it is sound as far as it goes, and says where it is made up', () => {
  expect(RUN_STATES.filter((state) => isSound(run({ state })))).toEqual(['done', 'short'])
  expect(isSimulated(run({ provenance: 'simulation' }))).toBe(true)
  expect(isSimulated(run({ provenance: 'meter' }))).toBe(false)
  expect(run()).toMatchObject({
    events: [],
    corrections: [],
    checklist: [],
    leftOut: [],
    name: '',
    notes: '',
    stateReason: '',
  })
})
