import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import type { Device, Source } from '../gear/gear'
import { parseOffers } from '../gear/offers'
import { answerTo, checklistFor } from '../protocol/checklist'
import { putBackList } from '../protocol/conditions'
import { SCHOOLS } from '../protocol/schools'
import { protocolSchema } from '../protocol/schema'
import { arrange } from './arrange'
import { expectations } from './expectations'
import { moveRun } from './moveRun'
import { calendarOf } from './calendar'
import { pairKey, plannedRunsFor, usualMeans, type Campaign } from './campaign'
import { cellProgress, stateOf, type MadeRun } from './progress'
import { pairsFor, QUESTIONS } from './questions'
import { campaignSchema } from './schema'
import { eveningsOnly, windowsOf } from './windows'
import { obstacleInWords } from './words'

const phone = {
  id: 'p', name: 'Skerry P5', kind: 'phone', capacityMah: null, nominalVolts: null, capacityWh: 16, healthPercent: 100,
  maxWatts: 20, minWatts: null, minVolts: null, fixedVolts: [9], adjustable: null, family: '', wirelessWatts: null, claims: '',
} as unknown as Device // prettier-ignore
const source = (id: string, watts: number, offers: string) =>
  ({ id, name: id, kind: 'wall charger', ratedWatts: watts, fedFromId: null, ports: [{ name: 'C', offers: parseOffers(offers).offers }] }) as Source // prettier-ignore
const gear = {
  devices: [phone],
  sources: [source('h20', 20, '5V3A, 9V2.22A'), source('b12', 12, '5V2.4A')],
  cables: [],
  curves: {},
}
const names = { device: () => 'Skerry P5, mate; “old”', source: (id: string) => id }
const toFull = SCHOOLS.find((p) => p.id === 'one-to-full')!

function campaign(over: Partial<Campaign> = {}): Campaign {
  const pairs = gear.sources.map((s) => ({ deviceId: 'p', sourceId: s.id, cableId: null, repeats: 2 }))
  let n = 0
  return {
    id: 'c',
    name: 'Which goes on board?',
    questionId: 'many-sources',
    protocol: toFull,
    pairs,
    availability: { startDate: '2026-03-02', week: eveningsOnly(), daysOff: ['2026-03-04'] },
    means: usualMeans(),
    planned: plannedRunsFor(pairs, [], () => false, () => `run-${++n}`), // prettier-ignore
    putBack: [],
    createdAt: '2026-03-01T12:00:00Z',
    ...over,
  }
}
const none = new Set<string>()

it('lays a campaign on its evenings, leaving out days without', () => {
  const a = arrange(campaign(), gear, { settled: none })
  const days = a.planned.map((p) => new Date(p.slot!.startsAt).toDateString())
  expect(new Set(days).size).toBe(4)
  expect(days.some((d) => d.includes('Mar 04'))).toBe(false)
  expect(a.limit).toMatchObject({ kind: 'unit', id: 'p' })
})

it('expects the generic hold-and-taper time, marked so, with a share kept in hand', () => {
  // 16 Wh in the cell at 80 % is 20 Wh at the meter; 99 % of it, 79 % held at 19.98 W, then the taper's 4·ln(20)/19 h.
  const time = expectations(campaign(), gear).get(pairKey(campaign().pairs[0]))!
  expect(time.basis).toBe('generic')
  expect(time.chargeS / 3600).toBeCloseTo(15.8 / 19.98 + (4 * Math.log(20)) / 19, 1)
  expect(time.slotS % 300).toBe(0)
  expect(time.slotS).toBeGreaterThanOrEqual(time.chargeS * 1.1)
})

it('reads its calendar back with a calendar library: every run, its moments and its id', () => {
  const laid = { ...campaign(), ...arrange(campaign(), gear, { settled: none }) }
  const text = calendarOf(laid, names, new Date('2026-03-01T12:00:00Z'))
  const events = new ICAL.Component(ICAL.parse(text))
    .getAllSubcomponents('vevent')
    .map((c) => new ICAL.Event(c))
  expect(events).toHaveLength(4)
  for (const planned of laid.planned) {
    const event = events.find((e) => e.uid === `${planned.id}@inkpath-log`)!
    expect(event.startDate.toJSDate().toISOString()).toBe(planned.slot!.startsAt)
    expect(event.duration.toSeconds()).toBe(planned.slot!.chargeS)
    expect(event.summary).toBe(`Skerry P5, mate; “old” from ${planned.sourceId}, run ${planned.repeat}`)
  }
  // RFC 5545 section 3.1: no content line is longer than 75 octets.
  expect(
    Math.max(...text.split('\r\n').map((line) => new TextEncoder().encode(line).length)),
  ).toBeLessThanOrEqual(75)
})

describe('a run moved by hand', () => {
  const laid = { ...campaign(), planned: arrange(campaign(), gear, { settled: none }).planned }
  const windows = windowsOf(laid.availability)
  const inOrder = [...laid.planned].sort((a, b) => a.slot!.startsAt.localeCompare(b.slot!.startsAt))

  it('goes to a free evening, and stays there when the rest is laid anew', () => {
    const free = windows.at(8)!
    const moved = moveRun(laid, gear, inOrder[0].id, free.startS, none)
    if (!moved.ok) throw new Error('it should have moved')
    const again = arrange({ ...laid, planned: moved.planned }, gear, { settled: none })
    const place = again.planned.find((p) => p.id === inOrder[0].id)!
    expect(Date.parse(place.slot!.startsAt) / 1000).toBe(free.startS)
  })

  it('is refused, with the reason, where the phone is not drained yet or the hours are not free', () => {
    const taken = Date.parse(inOrder[1].slot!.startsAt) / 1000
    const refused = moveRun(laid, gear, inOrder[0].id, taken, none)
    if (refused.ok) throw new Error('it should have been refused')
    expect(obstacleInWords(refused.obstacle, names)).toMatch(/charging|drained|repeat/)
    const noon = moveRun(laid, gear, inOrder[0].id, windows[0].startS - 6 * 3600, none)
    expect(noon).toMatchObject({ ok: false, obstacle: { rule: 'outside-hours' } })
  })
})

it('counts a spoilt run as still missing, and a done one as done', () => {
  const c = campaign()
  const [first] = c.planned
  const run = (state: MadeRun['state']): MadeRun => ({ state, planned: { plannedId: first.id } })
  expect(stateOf(first, [run('spoilt')], none)).toBe('spoilt')
  expect(stateOf(first, [run('spoilt'), run('done')], none)).toBe('done')
  expect(stateOf(first, [], new Set([first.id]))).toBe('running')
  const key = pairKey(first)
  expect(cellProgress(c, [run('spoilt')], none).get(key)).toMatchObject({ missing: 2, spoilt: 1, done: 0 })
})

it('keeps a summer-time evening at the hours on the wall', () => {
  const around = windowsOf({ startDate: '2026-03-28', week: eveningsOnly(), daysOff: [] }).slice(0, 3)
  for (const w of around)
    expect(new Date(w.startS * 1000).getHours() * 60 + new Date(w.startS * 1000).getMinutes()).toBe(1110)
})

describe('protocols', () => {
  it('hold as they ship, each with what it is good for and what it hides; every question has one', () => {
    for (const p of SCHOOLS) {
      expect(protocolSchema.isValidSync(p)).toBe(true)
      expect(p.goodFor && p.hides).toBeTruthy()
    }
    for (const q of QUESTIONS) {
      expect(SCHOOLS.some((p) => p.id === q.protocolId)).toBe(true)
      expect(pairsFor(q, gear.devices, gear.sources).length).toBeGreaterThan(0)
    }
    expect(QUESTIONS).toHaveLength(10)
    expect(campaignSchema.isValidSync(campaign())).toBe(true)
  })

  it('give a checklist whose answers are kept, skipped ones too, and outside values named', () => {
    const items = checklistFor(toFull, 'Long grey')
    expect(items.map((i) => i.text).join()).toMatch(
      /Start level 1 %.*Rested for 20 min.*Flight mode: on.*Long grey/,
    )
    const room = items.find((i) => i.id === 'ambient')!
    expect(answerTo(room, 'done', 26, 'now')).toMatchObject({ value: 26, outside: true })
    expect(answerTo(room, 'done', 22.5, 'now')).toMatchObject({ outside: false })
    expect(answerTo(room, 'skipped', 22, 'now')).toMatchObject({ value: null, answer: 'skipped' })
    expect(putBackList(toFull).join()).toMatch(/Optimised or delayed charging on again/)
  })

  it.each([
    [{ startPercent: 120 }, /at most 99/],
    [{ startPercent: 'x' }, /must be a number/],
    [{ reading: { kind: 'at', minutes: [10, 5] } }, /reading rule/],
    [{ reading: { kind: 'closing-in', seconds: 300, thenSeconds: 600, abovePercent: 90 } }, /reading rule/],
    [{ stop: { kind: 'level', percent: 140 } }, /stop rule/],
    [{ stopLimitC: 90 }, /at most 60/],
    [{ conditions: [{ kind: 'screen', required: '' }] }, /required/],
  ])('refuse %j', (over, message) => {
    expect(() => protocolSchema.validateSync({ ...toFull, ...over })).toThrow(message)
  })

  it.each([
    [{ availability: { startDate: 'soon', week: eveningsOnly(), daysOff: [] } }, /date/],
    [
      { availability: { startDate: '2026-03-02', week: Array(7).fill(null), daysOff: [] } },
      /at least one day/,
    ],
    [{ means: { ...usualMeans(), lanes: 9 } }, /at most 8/],
    [{ means: { ...usualMeans(), units: { p: '1,5' } } }, /whole number/],
    [{ name: '  ' }, /name/],
  ])('a campaign refuses %j', (over, message) => {
    expect(() => campaignSchema.validateSync({ ...campaign(), ...over })).toThrow(message)
  })
})
