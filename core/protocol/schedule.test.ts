import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LONGEST_S } from '../trace/bounds'
import type { ReadingRule } from './rules'
import { markAfter, markAt, missedMarks, nextMark, nominalMark } from './schedule'

const FIVE: ReadingRule = { kind: 'every', seconds: 300 }
const none = new Set<number>()
const at = (...marks: number[]) => new Set(marks)

describe('five-minute checks', () => {
  it('leave a mark due until the next one comes: a late answer is a late answer to it', () => {
    // Read at 17:32, the reading answers 15:00, and 20:00 is still called.
    expect(nominalMark(FIVE, 1052, at(300, 600))).toBe(900)
    expect(nextMark(FIVE, 1053, at(300, 600, 900))).toBe(1200)
    expect(nextMark(FIVE, 1199, at(300, 600))).toBe(900)
    expect(missedMarks(FIVE, 1199, at(300, 600))).toEqual([])
    expect(missedMarks(FIVE, 1200, at(300, 600))).toEqual([900])
  })

  it('take a reading ten seconds before a mark for it, and one eleven before for the last', () => {
    expect(nominalMark(FIVE, 590, at(300))).toBe(600)
    expect(nominalMark(FIVE, 589, none)).toBe(300)
    expect(nominalMark(FIVE, 589, at(300))).toBeUndefined()
    expect(nextMark(FIVE, 595, at(300, 600))).toBe(900)
  })

  it('answer a mark once, and start with the first after power-on', () => {
    expect(nominalMark(FIVE, 330, at(300))).toBeUndefined()
    expect(nominalMark(FIVE, 4, none)).toBeUndefined()
    expect(nextMark(FIVE, 0, at(0))).toBe(300)
  })

  it('count a mark still due at the end as missed only when its ten seconds are over', () => {
    expect(missedMarks(FIVE, 905, at(300, 600), null, true)).toEqual([])
    expect(missedMarks(FIVE, 910, at(300, 600), null, true)).toEqual([])
    expect(missedMarks(FIVE, 911, at(300, 600), null, true)).toEqual([900])
    expect(missedMarks(FIVE, 900, at(300, 600), null, true)).toEqual([])
  })
})

it('takes no mark seconds away for early where the steps themselves are seconds', () => {
  const quick: ReadingRule = { kind: 'every', seconds: 10 }
  expect(nominalMark(quick, 14, none)).toBe(10)
  expect(nominalMark(quick, 18, none)).toBe(20)
})

it('reads every 10 minutes, then every 5 from the moment a lane showed 90 %', () => {
  const rule: ReadingRule = { kind: 'closing-in', seconds: 600, thenSeconds: 300, abovePercent: 90 }
  expect(nextMark(rule, 1210, at(600, 1200), null)).toBe(1800)
  expect(nextMark(rule, 1260, at(600, 1200), 1250)).toBe(1500)
  expect(nominalMark(rule, 1510, at(1200), 1250)).toBe(1500)
  expect(markAt(rule, 1499, 1250)).toBe(1200)
  expect(missedMarks(rule, 2100, at(600, 1200), 1250)).toEqual([1500, 1800])
})

it('reads at given minutes only; the last of them stays due', () => {
  const rule: ReadingRule = { kind: 'at', minutes: [5, 10, 30] }
  expect(nextMark(rule, 700, at(300, 600))).toBe(1800)
  expect(nextMark(rule, 2500, at(300, 600))).toBe(1800)
  expect(nominalMark(rule, 2500, at(300, 600))).toBe(1800)
  expect(nextMark(rule, 1900, at(1800))).toBe(Infinity)
  // Read at a mark, the next is the one after it; before the first there is none.
  expect([299, 300, 600, 1800].map((t) => markAfter(rule, t))).toEqual([300, 600, 1800, Infinity])
  expect([299, 300, 599].map((t) => markAt(rule, t))).toEqual([0, 300, 300])
  expect(nominalMark({ kind: 'meter', seconds: 1 }, 5, none)).toBeUndefined()
})

it('always goes on, however far out and whatever the step: the next mark is later than the last', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 7200, noNaN: true }),
      fc.double({ min: 0, max: LONGEST_S, noNaN: true }),
      (seconds, about) => {
        const mark = Math.floor(about / seconds) * seconds
        const next = markAfter({ kind: 'every', seconds }, mark)
        expect(next).toBeGreaterThan(mark)
        expect(next - mark).toBeCloseTo(seconds, 3)
      },
    ),
    { seed: 9, numRuns: 20_000 },
  )
})
