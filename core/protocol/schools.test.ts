import { describe, expect, it } from 'vitest'
import { DEFAULT_STOP_LIMIT_C, type Protocol } from './protocol'
import type { ReadingRule, StopRule } from './rules'
import { protocolsWith, SCHOOLS } from './schools'

const school = (id: string) => SCHOOLS.find((p) => p.id === id)!
const full: StopRule = { kind: 'shown-full' }
const minutes = (n: number): StopRule => ({ kind: 'duration', seconds: 60 * n })
const each5: ReadingRule = { kind: 'every', seconds: 300 }
const at = (...marks: number[]): ReadingRule => ({ kind: 'at', minutes: marks })
const meter: ReadingRule = { kind: 'meter', seconds: 1 }

// Where a test starts, the rest of 21 minutes, when it is read and when it stops: common practice, no source. The other
// rests, the level of the spot check, and the minutes of temperatures are this program's own choice: they stand here so
// that a change of them is meant.
describe('the schools', () => {
  it.each<[string, number, Protocol['startWay'], number, ReadingRule, StopRule]>([
    ['from-dead', 0, 'dead-rested', 21, each5, full],
    ['as-it-dies', 0, 'as-it-dies', 0, each5, full],
    ['one-to-full', 1, 'drained', 20, each5, full],
    ['closing-in', 1, 'drained', 20, { kind: 'closing-in', seconds: 600, thenSeconds: 300, abovePercent: 90 }, full],
    ['top-up', 15, 'drained', 10, at(5, 10, 15, 20, 30), minutes(30)],
    ['half-and-end', 50, 'drained', 20, at(30, 60), minutes(60)],
    ['spot-check', 40, 'as-found', 0, meter, minutes(5)],
    ['whole-curve', 1, 'drained', 20, meter, { kind: 'taper-end' }],
    ['filmed', 1, 'drained', 20, each5, full],
    ['under-load', 50, 'drained', 20, each5, minutes(60)],
    ['pad', 1, 'drained', 20, each5, { kind: 'level', percent: 80 }],
    ['will-it', 50, 'as-found', 0, at(2, 5, 10), minutes(10)],
  ])('%s: where it starts, how it is read and when it stops', (id, startPercent, startWay, restMinutes, reading, stop) => {
    expect(school(id)).toMatchObject({ startPercent, startWay, restMinutes, reading, stop })
  }) // prettier-ignore

  it('are told apart by names and words of their own, and all say stop at 45 °C', () => {
    for (const words of [
      (p: Protocol) => p.id,
      (p: Protocol) => p.name,
      (p: Protocol) => p.goodFor,
      (p: Protocol) => p.hides,
    ]) {
      // prettier-ignore
      const all = SCHOOLS.map(words)
      expect(new Set(all).size).toBe(12)
      expect(all.filter((text) => text.length < 3)).toEqual([])
    }
    expect(DEFAULT_STOP_LIMIT_C).toBe(45)
    expect(new Set(SCHOOLS.map((p) => p.stopLimitC))).toEqual(new Set([45]))
  })

  it('ask for temperatures at minutes and places together, or not at all', () => {
    const heat = (id: string) => [school(id).temperatureMinutes, school(id).temperaturePlaces]
    for (const { temperatureMinutes: when, temperaturePlaces: where } of SCHOOLS)
      expect(when.length > 0).toBe(where.length > 0)
    expect(heat('whole-curve')).toEqual([
      [0, 10, 20, 30, 45, 60, 90],
      ['front', 'back'],
    ])
    expect(heat('under-load')).toEqual([
      [0, 10, 20, 30],
      ['keyboard', 'underside'],
    ])
    expect(heat('pad')).toEqual([[0, 10, 20, 30, 60], ['back']])
    expect(heat('from-dead')).toEqual([[], []])
  })

  it('say what must hold of the device: asleep and alone, filmed with its screen on, at work, or marked on its pad', () => {
    const kinds = (id: string) => school(id).conditions.map((c) => c.kind)
    const required = (id: string, kind: string) =>
      school(id).conditions.find((c) => c.kind === kind)?.required ?? ''
    expect(kinds('one-to-full')).toEqual([
      'flight-mode',
      'apps-closed',
      'screen',
      'low-power-mode-off',
      'optimised-charging-off',
      'background-refresh-off',
      'same-cable',
      'ambient',
      'state',
    ])
    expect(required('one-to-full', 'flight-mode')).toBe('on')
    expect(required('filmed', 'screen')).toBe('on at 50 %')
    expect(kinds('filmed')).toEqual(['flight-mode', 'apps-closed', 'low-power-mode-off', 'optimised-charging-off', 'same-cable', 'ambient', 'screen']) // prettier-ignore
    expect(required('under-load', 'state')).toBe('under the measured load')
    expect(required('under-load', 'screen')).toBe('on at 50 %')
    expect(kinds('under-load')).toEqual(['low-power-mode-off', 'optimised-charging-off', 'same-cable', 'ambient', 'screen', 'state']) // prettier-ignore
    expect(kinds('pad').at(-1)).toBe('position')
    expect(required('pad', 'position')).not.toBe('')
    for (const id of ['spot-check', 'will-it'])
      expect(kinds(id)).toEqual(['screen', 'optimised-charging-off', 'same-cable'])
    for (const { conditions } of SCHOOLS)
      for (const { required: words } of conditions) expect(words).not.toBe('')
  })
})

it('a reviewer’s own protocol stands in place of the school it was made from, and follows them otherwise', () => {
  const mine = { ...SCHOOLS[3], name: 'As we do it' }
  const other = { ...SCHOOLS[0], id: 'own', name: 'Another' }
  const all = protocolsWith([other, mine])
  expect(all.map((p) => p.id)).toEqual([...SCHOOLS.map((p) => p.id), 'own'])
  expect(all[3]).toBe(mine)
  expect(all.at(-1)).toBe(other)
  expect(protocolsWith([])).toEqual(SCHOOLS)
})
