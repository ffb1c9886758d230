import { expect, it } from 'vitest'
import { missedMarks, nextMark, nominalMark } from './schedule'
import { stopReached } from './stopping'

it('answers the nearest mark, once', () => {
  expect(nominalMark(312, 300, 0)).toBe(300)
  expect(nominalMark(290, 300, 0)).toBe(300)
  expect(nominalMark(330, 300, 300)).toBeUndefined()
})

it('waits for a late reading until the next is nearer, then goes on', () => {
  expect(nextMark(0, 300, 0)).toBe(300)
  expect(nextMark(440, 300, 0)).toBe(300)
  expect(nextMark(451, 300, 0)).toBe(600)
  expect(nextMark(295, 300, 300)).toBe(600)
})

it('keeps a missed mark missed', () => {
  expect(missedMarks(1000, 300, [300])).toEqual([600])
  expect(missedMarks(740, 300, [300])).toEqual([])
})

it('offers the stop by the rule, and never for an open run', () => {
  const readings = [
    { t: 0, percent: 20 },
    { t: 60, percent: 81 },
    { t: 120, percent: 79 },
  ]
  expect(stopReached({ kind: 'level', percent: 80 }, readings, 120)).toMatch(/80/)
  expect(stopReached({ kind: 'shown-full' }, readings, 120)).toBeNull()
  expect(stopReached({ kind: 'duration', seconds: 120 }, readings, 119)).toBeNull()
  expect(stopReached({ kind: 'open' }, readings, 1e6)).toBeNull()
  const taper = Array.from({ length: 400 }, (_, t) => ({ t, power: t < 300 ? 20 : 0.4 }))
  expect(stopReached({ kind: 'taper-end' }, taper.slice(0, 350), 350)).toBeNull()
  expect(stopReached({ kind: 'taper-end' }, taper, 400)).toMatch(/all but stopped/)
})
