import { expect, it } from 'vitest'
import type { ReadingRule } from './rules'
import { closingInMoment, missedMarks, nextMark, nominalMark } from './schedule'
import { stopReached } from './stopping'

const FIVE: ReadingRule = { kind: 'every', seconds: 300 }

it('answers the nearest mark, once', () => {
  expect(nominalMark(FIVE, 312, 0)).toBe(300)
  expect(nominalMark(FIVE, 290, 0)).toBe(300)
  expect(nominalMark(FIVE, 330, 300)).toBeUndefined()
})

it('waits for a late reading until the next is nearer, then goes on', () => {
  expect(nextMark(FIVE, 0, 0)).toBe(300)
  expect(nextMark(FIVE, 440, 0)).toBe(300)
  expect(nextMark(FIVE, 451, 0)).toBe(600)
  expect(nextMark(FIVE, 295, 300)).toBe(600)
})

it('keeps a missed mark missed', () => {
  expect(missedMarks(FIVE, 1000, [300])).toEqual([600])
  expect(missedMarks(FIVE, 740, [300])).toEqual([])
})

it('reads every 10 minutes, then every 5 once any lane shows 90 %', () => {
  const rule: ReadingRule = { kind: 'closing-in', seconds: 600, thenSeconds: 300, abovePercent: 90 }
  const other = { startS: 100, readings: [{ t: 0, percent: 20 }, { t: 1150, percent: 91 }] } // prettier-ignore
  const from = closingInMoment(90, [{ startS: 0, readings: [{ t: 1200, percent: 60 }] }, other])
  expect(from).toBe(1250)
  expect(nextMark(rule, 1210, 1200, null)).toBe(1800)
  expect(nextMark(rule, 1260, 1200, from)).toBe(1500)
  expect(nominalMark(rule, 1490, 1200, from)).toBe(1500)
  expect(missedMarks(rule, 2000, [600, 1200], from)).toEqual([1500, 1800])
})

it('reads at given minutes only, and then no more', () => {
  const rule: ReadingRule = { kind: 'at', minutes: [5, 10, 30] }
  expect(nextMark(rule, 700, 600)).toBe(1800)
  expect(nextMark(rule, 1900, 1800)).toBe(Infinity)
  expect(nominalMark(rule, 1000, 600)).toBeUndefined()
  expect(nominalMark({ kind: 'meter', seconds: 1 }, 5, 0)).toBeUndefined()
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
