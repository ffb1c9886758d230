import { describe, expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { compareTraces } from './comparison'

/** Levels at minutes; a watched one is negative. */
const run = (...levels: [minute: number, percent: number, watched?: boolean][]) =>
  traceFromReadings(levels.map(([m, percent, watched]) => ({ t: m * 60, percent, ...(watched ? { watched: 1 } : {}) }))) // prettier-ignore
const slow = run([0, 1], [60, 40], [120, 75], [180, 95], [201, 100, true])
const fast = run([0, 1], [60, 55], [120, 90], [157, 100, true])

describe('single runs against one another', () => {
  it('3 h 21 min and 2 h 37 min: 44 min, 21.9 %, 1.28 × (common practice, no source)', () => {
    const told = compareTraces([slow, fast])
    // The slowest is what the others are set against.
    expect(told.baseline).toBe(0)
    expect(told.alignedAtPercent).toBeNull()
    const full = told.milestones.find((m) => m.percent === 100)!.runs
    expect(full[0]).toMatchObject({ timeS: 12_060, savedS: 0, verdict: 'baseline', atLeastS: 0 })
    expect(full[1]).toMatchObject({ timeS: 9420, savedS: 2640, verdict: 'clear' })
    expect(full[1].savedShare).toBeCloseTo(0.219, 3)
    expect(full[1].speedRatio).toBeCloseTo(1.28, 2)
    expect(full[1].atLeastS).toBeGreaterThan(1500)
    expect(full[1].atLeastS).toBeLessThan(2640)
    expect(told.leaders.find((l) => l.goal === 'full')).toEqual({ goal: 'full', indexes: [1] })
    expect(told.leaders.find((l) => l.goal === 'half')?.indexes[0]).toBe(1)
    expect(told.leaders.find((l) => l.goal === 'mark' && l.atS === 3600)?.indexes).toEqual([1])
  })

  it('judges marks by the points that displays leave open, and leaves out moments that nobody reached', () => {
    const told = compareTraces([slow, fast, run([0, 1], [60, 41])], { baseline: 0 })
    const at = (minutes: number) => told.marks.find((m) => m.atS === minutes * 60)?.runs
    expect(at(60)!.map((r) => [r.percent, r.gain, r.verdict])).toEqual([
      [40, 39, 'baseline'],
      [55, 54, 'clear'],
      [41, 40, 'cannot-tell'],
    ])
    expect(at(120)![2].verdict).toBe('not-reached')
    expect(told.milestones.find((m) => m.percent === 100)!.runs[2]).toMatchObject({
      verdict: 'not-reached',
      atLeastS: 0,
    })
  })

  it('begins at the highest start level where asked: what lies before it counts for nobody', () => {
    const late = run([0, 40], [60, 75], [120, 95], [141, 100, true])
    const told = compareTraces([slow, late], { align: 'level' })
    expect(told.alignedAtPercent).toBe(40)
    const [own, other] = told.milestones.find((m) => m.percent === 100)!.runs
    // From 40 %: 141 min for the one, and the same to within the half point of a display for the other.
    expect(other.timeS).toBe(8460)
    expect(Math.abs(own.timeS - 8460)).toBeLessThan(120)
    expect([own, other].map((r) => r.verdict)).toContain('cannot-tell')
    const from = told.marks.find((m) => m.atS === 3600)!.runs
    expect(Math.abs(from[0].gain - from[1].gain)).toBeLessThan(1.1)
  })

  it('says why there is no figure, and is held against the slowest by marks where no level was reached by two', () => {
    const [quick, late] = [run([0, 10], [10, 30], [20, 48]), run([0, 20], [10, 28], [60, 60])]
    const told = compareTraces([quick, late])
    // After 20 min one had gained 38 points, the other 15.
    expect(told.baseline).toBe(1)
    const half = told.milestones.find((m) => m.percent === 50)!.runs
    expect(half.map((r) => [r.why, r.reason])).toEqual([
      ['not reached', 'The run ended below it, at 48 %.'],
      ['', ''],
    ])
    const hour = told.marks.find((m) => m.atS === 3600)!.runs
    expect(hour.map((r) => [r.reason, r.verdict, r.ceiling])).toEqual([
      ['The run ended before it.', 'not-reached', false],
      ['', 'baseline', false],
    ])
    expect(compareTraces([quick, late], { baseline: 0 }).marks.find((m) => m.atS === 3600)!.runs[1].verdict).toBe('cannot-tell')
    // From the level at which the later one began: one that ended below it was never there, nor is a level before it told.
    const never = compareTraces([run([0, 10], [20, 30]), run([0, 60], [30, 96], [60, 100])], { align: 'level' })
    expect(never.milestones.map((m) => m.runs[0].reason).at(-1)).toMatch(/ended below it/)
    expect(never.marks[0].runs.map((r) => [Number.isNaN(r.gain), r.reason !== '', r.ceiling])).toEqual([[true, true, false], [false, false, false]])
    expect(never.marks.find((m) => m.atS === 1800)!.runs[1]).toMatchObject({ percent: 96, gain: 36, ceiling: true })
    const from = compareTraces([run([0, 10], [60, 70], [90, 90]), run([0, 50], [60, 90])], { align: 'level' })
    expect(from.milestones[0].runs.map((r) => [r.why, r.reason])).toEqual([
      ['started there', 'The clocks begin there, or above it.'],
      ['started there', expect.any(String)],
    ])
  }) // prettier-ignore

  it('tells a baseline that never got there from a run that did, and refuses one run or a baseline that is none', () => {
    const short = run([0, 1], [60, 30])
    const told = compareTraces([short, slow], { baseline: 0 })
    expect(told.milestones.find((m) => m.percent === 100)!.runs.map((r) => r.verdict)).toEqual([
      'not-reached',
      'cannot-tell',
    ])
    const late = run([0, 60], [60, 100])
    const why = (align: 'start' | 'level') =>
      compareTraces([short, late], { baseline: 0, align }).milestones[0].runs.map((r) => r.why)
    expect([why('start'), why('level')]).toEqual([
      ['not reached', 'started above'],
      ['not reached', 'started above'],
    ])
    expect(() => compareTraces([slow])).toThrow(/two runs/)
    expect(() => compareTraces([slow, fast], { baseline: 7 })).toThrow(/none of the runs/)
  })

  it('sees no lead in having started higher', () => {
    const drains = run([0, 60], [10, 59], [30, 57], [60, 55])
    const charges = run([0, 40], [10, 46], [30, 58], [60, 76])
    expect(compareTraces([drains, charges], { baseline: 0 }).leadChanges).toEqual([])
  })

  it('names a lead that turned', () => {
    const sprinter = run([0, 10], [5, 25], [10, 30], [30, 40], [60, 50])
    const steady = run([0, 10], [5, 15], [10, 25], [30, 60], [60, 90])
    const { leadChanges } = compareTraces([sprinter, steady], { baseline: 0 })
    expect(leadChanges.map(({ early, late }) => [early, late])).toContainEqual([0, 1])
  })
})
