import { describe, expect, it } from 'vitest'
import { LONGEST_S } from '../trace/bounds'
import { isLine, isReading, withinBounds } from './line'

const reading = {
  t: 300,
  percent: 9,
  power: 18,
  temperatures: { back: 31 },
  nominal: 300,
  note: 'late',
  stream: 'm1',
}
const event = { t: 12, kind: 'own', text: 'the cable moved' }

describe('lines that hold', () => {
  it.each([
    [{ kind: 'readings', readings: [] }],
    [{ kind: 'readings', readings: [reading, { t: 0 }] }],
    [{ kind: 'take-back' }],
    [{ kind: 'event', event }],
    [{ kind: 'event', event: { ...event, t: LONGEST_S, kind: 'k'.repeat(40), text: 't'.repeat(400) } }],
    [{ kind: 'offsets', offsets: {} }],
    [{ kind: 'offsets', offsets: { m1: -14 * 86_400, m2: 14 * 86_400 } }],
  ])('%j', (line) => expect(isLine(line)).toBe(true))
})

describe('lines that do not', () => {
  it.each([
    [null],
    ['readings'],
    [{ kind: 'other' }],
    [{ kind: 'readings', readings: 'none' }],
    [{ kind: 'readings', readings: [{ t: 0 }, { t: -1 }] }],
    [{ kind: 'readings', readings: [null] }],
    [{ kind: 'event' }],
    [{ kind: 'event', event: null }],
    [{ kind: 'event', event: 'x' }],
    [{ kind: 'event', event: { ...event, t: -1 } }],
    [{ kind: 'event', event: { ...event, kind: 'k'.repeat(41) } }],
    [{ kind: 'event', event: { ...event, kind: 7 } }],
    [{ kind: 'event', event: { ...event, text: 't'.repeat(401) } }],
    [{ kind: 'event', event: { ...event, text: null } }],
    [{ kind: 'offsets', offsets: null }],
    [{ kind: 'offsets', offsets: 5 }],
    [{ kind: 'offsets', offsets: { m1: 14 * 86_400 + 1 } }],
    [{ kind: 'offsets', offsets: { m1: 'soon' } }],
    [JSON.parse('{ "kind": "offsets", "offsets": { "__proto__": 1 } }') as unknown],
  ])('%j', (line) => expect(isLine(line)).toBe(false))
})

describe('a reading that can be kept', () => {
  it.each([
    [reading, true],
    [{ t: LONGEST_S }, true],
    [{ t: 0, note: 'n'.repeat(2000) }, true],
    ['x', false],
    [null, false],
    [{ t: LONGEST_S + 1 }, false],
    [{ t: NaN }, false],
    [{ t: 0, percent: 101 }, false],
    [{ t: 0, power: 'much' }, false],
    [{ t: 0, nominal: -1 }, false],
    [{ t: 0, note: 'n'.repeat(2001) }, false],
    [{ t: 0, note: 5 }, false],
    [{ t: 0, stream: '__proto__' }, false],
    [{ t: 0, temperatures: null }, false],
    [{ t: 0, temperatures: 'warm' }, false],
    [{ t: 0, temperatures: {} }, true],
    [{ t: 0, temperatures: { back: 900 } }, false],
    [{ t: 0, temperatures: { back: 30, front: NaN } }, false],
    [{ t: 0, temperatures: { back: 30, Back: 31 } }, false],
  ])('%j: %s', (given, holds) => expect(isReading(given as never)).toBe(holds))

  it('is left of a reading with values that no channel can hold, where anything is', () => {
    expect(withinBounds({ t: 5, percent: 150, power: 18 })).toEqual({ t: 5, power: 18 })
    expect(withinBounds({ t: 5, power: 9000, temperatures: { back: 30, front: 900 } })).toEqual({
      t: 5,
      temperatures: { back: 30 },
    })
    expect(withinBounds({ t: 5, percent: 7, temperatures: { front: 900 } })).toEqual({ t: 5, percent: 7 })
    expect(withinBounds({ t: 5, temperatures: { front: 900 } })).toBeNull()
    expect(withinBounds({ t: 5, note: 'only words' })).toBeNull()
    expect(withinBounds({ t: -5, percent: 7 })).toBeNull()
    const whole = { t: 5, percent: 7 }
    expect(withinBounds(whole)).toEqual(whole)
  })
})
