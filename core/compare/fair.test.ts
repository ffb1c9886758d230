import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { analyse } from '../analysis/analyse'
import { fromCommonLevel, fromPowerOn, onAlignedClock } from './align'
import { isEnoughOvernight, ladder, pricePerMinute } from './ladder'
import { gainsOf, leadChanges, type GainsAt } from './leads'
import { pooled } from './verdict'

const rising = (from: number, perMinute: number, minutes = 60) =>
  traceFromReadings(
    Array.from({ length: minutes + 1 }, (_, m) => ({
      t: m * 60,
      percent: Math.min(100, Math.floor(from + perMinute * m)),
    })),
  )

it('sets every clock to its own crossing of the highest start level', () => {
  const traces = [rising(2, 1), rising(12, 1), rising(5, 0.5)]
  const { percent, shiftS } = fromCommonLevel(traces)
  expect(percent).toBe(12)
  // 2 % and a point a minute crosses 12 half a minute before its display shows 12; half a point a minute a minute before.
  expect(shiftS).toEqual([expect.closeTo(10 * 60 - 30, 6), 0, expect.closeTo(14 * 60 - 30, 6)])
  expect(fromPowerOn(traces)).toEqual({ percent: null, shiftS: [0, 0, 0] })
  expect(fromCommonLevel([rising(2, 1), rising(90, 0.1)]).shiftS[0]).toBeNaN()
  expect(fromCommonLevel([rising(2, 1), traceFromReadings([{ t: 0, power: 9 }])]).percent).toBeNull()
})

it('counts times and gains from where the aligned clocks begin', () => {
  // A point a minute from 2 %, aligned at 12 % (half a minute before minute 10): 50 % at 47:30 is 38 minutes later.
  const trace = rising(2, 1)
  const plain = analyse(trace)
  const moved = onAlignedClock(plain, trace, 12, 570)
  expect(moved.milestones.find((m) => m.percent === 50)?.timeS).toBeCloseTo(38 * 60, 6)
  const [five] = moved.marks
  expect([five.atS, five.gain]).toEqual([300, expect.closeTo(5, 6)])
  expect(onAlignedClock(plain, trace, null, 0)).toBe(plain)
  expect(onAlignedClock(plain, trace, 60, 3500).milestones[0].reason).toMatch(/begin there/)
  const never = onAlignedClock(plain, trace, 90, NaN)
  expect(never.milestones.every((m) => m.reason)).toBe(true)
  expect(never.marks.every((m) => Number.isNaN(m.gain))).toBe(true)
})

it('tells where a lead turns, and where it vanishes near the ceiling', () => {
  const points = (all: number[]) => all.map((value) => pooled([{ value, uncertainty: 0.41 }]))
  const at = (
    minute: number,
    gains: number[],
    levels = gains,
    ceilings = levels.map((p) => p >= 95),
  ): GainsAt => ({
    atS: minute * 60,
    gains: points(gains),
    levels: points(levels),
    ceilings,
  })
  // Ahead by 6, and later behind by 12: the lead came to the other.
  expect(leadChanges([at(15, [40, 34]), at(60, [80, 92])])).toEqual([
    { early: 0, late: 1, fromS: 900, toS: 3600 },
  ])
  expect(leadChanges([at(30, [60, 50]), at(60, [98, 97])])).toEqual([
    { early: 0, late: null, fromS: 1800, toS: 3600 },
  ])
  // Near the ceiling a lead may vanish: it has not where the others are far behind, nor where its rate alone has fallen.
  expect(leadChanges([at(30, [47, 31]), at(60, [94, 44], [96, 46])])).toEqual([])
  expect(leadChanges([at(30, [47, 31]), at(60, [70, 44], [74, 48], [true, false])])).toEqual([])
  expect(leadChanges([at(60, [87, 60]), at(90, [97, 88], [100, 91], [true, true])])).toEqual([])
  // Who began lower has gained more once both are full, and leads nothing by that.
  expect(leadChanges([at(30, [60, 50]), at(60, [98, 90], [100, 100])])).toEqual([
    { early: 0, late: null, fromS: 1800, toS: 3600 },
  ])
  expect(leadChanges([at(30, [60, 50]), at(60, [94, 90], [96, 100])])).toMatchObject([
    { early: 0, late: null },
  ])
  expect(leadChanges([at(60, [98, 90], [100, 100]), at(90, [98, 90], [100, 100])])).toEqual([])
  // A lead of a point is none, nor one of 1.5 points that runs scatter about as much by chance; neither is one over a run that was not read there.
  expect(leadChanges([at(15, [40, 39]), at(30, [60, 66]), at(60, [90, NaN])])).toEqual([])
  expect(leadChanges([])).toEqual([])
  // Whose record ended was not overtaken; whose began later overtook nobody; a lead gone before the record ended is gone.
  expect(leadChanges([at(15, [40, 20, 10]), at(60, [NaN, 80, 40])])).toEqual([])
  expect(leadChanges([at(15, [40, 20, NaN]), at(60, [60, 50, 80])])).toEqual([])
  expect(leadChanges([at(15, [40, 20, 10]), at(30, [50, 49, 20]), at(60, [NaN, 80, 40])])).toEqual([
    { early: 0, late: null, fromS: 900, toS: 1800 },
  ])
  const scattered = { share: 0.05, freedom: 30, assumed: false }
  expect(leadChanges([at(30, [60, 55]), at(60, [80, 90])], scattered)).toEqual([])
})

it('takes the repeats of a set-up together: a lead of one run that its repeat did not have is none', () => {
  const [quick, slow, steady] = [2, 0.5, 1].map((perMinute) => analyse(rising(2, perMinute, 120)))
  const at = (k: number) => gainsOf([[quick, slow], [steady]])[k]
  expect(at(0).atS).toBe(300)
  // Ten and two points in five minutes, the halves of points floored.
  expect(at(0).gains[0].values).toEqual([10, 2])
  expect([at(0).gains[1].values, at(0).ceilings]).toEqual([[5], [false, false]])
  // Alone it leads, full by then, until the other is full as well; together with its repeat nobody leads.
  expect(leadChanges(gainsOf([[quick], [steady]]))).toEqual([
    { early: 0, late: null, fromS: 5400, toS: 7200 },
  ])
  expect(leadChanges(gainsOf([[quick, slow], [steady]]))).toEqual([])
  expect(gainsOf([])).toEqual([])
  // After an hour.
  expect(gainsOf([[quick, quick], [slow]]).at(-3)?.ceilings).toEqual([true, false])
})

it('finds the smallest source that will do (common practice, no source: one hour from 50 %)', () => {
  const gains = [1, 8, 20, 44, 48, 48]
  const rungs = [5, 10, 18, 35, 61, 96].map((ratedW, i) => ({
    ratedW,
    gain: gains[i],
    uncertainty: 0.41,
    ceiling: gains[i] >= 45,
  }))
  const { steps, smallest } = ladder([...rungs].reverse())
  expect(steps.map((s) => s.ratedW)).toEqual([5, 10, 18, 35, 61, 96])
  expect(smallest).toMatchObject({ ratedW: 35, index: 2, shareOfBest: expect.closeTo(44 / 48, 12) })
  expect(steps.filter((s) => s.ceiling).map((s) => s.ratedW)).toEqual([61, 96])
  expect(ladder(rungs, 1).smallest?.ratedW).toBe(61)
  expect(ladder([{ ...rungs[0], gain: 0 }]).smallest).toBeNull()
  expect(ladder([{ ...rungs[0], gain: NaN }, rungs[1]]).smallest?.ratedW).toBe(10)
})

it('weighs price against minutes, and hours against a night', () => {
  expect(pricePerMinute(22, 44 * 60)).toBe(0.5)
  expect(pricePerMinute(22, -60)).toBe(Infinity)
  expect([isEnoughOvernight(7 * 3600, 8), isEnoughOvernight(9 * 3600, 8), isEnoughOvernight(NaN, 8)]).toEqual(
    [true, false, null],
  )
})
