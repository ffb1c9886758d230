import fc from 'fast-check'
import { expect, it } from 'vitest'
import { randomFrom } from '../../stats/random'
import { valueAt } from '../../trace/samples'
import type { Trace } from '../../trace/trace'
import { power } from '../power'
import { supplyOf } from '../supply'
import { taperEnd } from '../taper'
import { holdsOf } from './holds'
import { onOffOf } from './onOff'
import { partsOf } from './parts'
import { straightPieces } from './pieces'

type Point = readonly [minute: number, watts: number]

// Common practice, no source: a phone's curve, which a reviewer calls four parts.
const PHONE: Point[] = [
  [0, 24.1],
  [2, 24.6],
  [17, 25.9],
  [24, 19.2],
  [32, 19.5],
  [35, 13.4],
  [42, 13.6],
  [47, 8.0],
  [53, 7.7],
  [65, 6.5],
  [76, 5.8],
  [80, 4.7],
  [90, 2.4],
  [100, 1.0],
  [108, 0.5],
]

interface Reading {
  hz?: number
  /** Each reading is off by as much at most, as a share. */
  noise?: number
  seed?: number
}
/** Watts along straight lines, as a meter reads them; with noise come spikes, one reading in five hundred. */
function readAlong(points: readonly Point[], { hz = 1, noise = 0, seed = 1 }: Reading = {}): Trace {
  const random = randomFrom(seed)
  const line = {
    t: Float64Array.from(points, ([m]) => m * 60),
    v: Float64Array.from(points, ([, w]) => w),
  }
  const time = Float64Array.from({ length: Math.floor(line.t[points.length - 1] * hz) + 1 }, (_, i) => i / hz)
  const off = () => 1 + noise * (2 * random.uniform() - 1)
  const power = time.map((t) => valueAt(line, t) * off() * (noise > 0 && random.uniform() < 0.002 ? 1.6 : 1))
  return { time, power, temperatures: {} }
}
const partsIn = (trace: Trace) => {
  const { heldPeakW, heldPeakAtS } = power(trace)
  return partsOf(trace, {
    supply: supplyOf(trace),
    switched: onOffOf({ t: trace.time, v: trace.power ?? new Float64Array(0) }, heldPeakW),
    taperEndS: taperEnd(trace, heldPeakW, heldPeakAtS),
  })
}
const holdsIn = ({ time, power: watts }: Trace) => holdsOf({ t: time, v: watts! })

it('cuts a phone’s curve into the four parts that a reviewer sees, whatever the meter’s rate and noise', () => {
  for (const hz of [10, 1, 0.1])
    for (const noise of [0, 0.02])
      for (const seed of noise ? [1, 2, 3] : [1]) {
        const parts = partsIn(readAlong(PHONE, { hz, noise, seed }))
        const label = `${hz} Hz, ± ${noise}, seed ${seed}`
        expect(
          parts.map((p) => p.kind),
          label,
        ).toEqual(['hold', 'hold', 'hold', 'taper'])
        for (const [i, minute] of [17, 32, 42, 108].entries())
          expect(Math.abs(parts[i].endS / 60 - minute), label).toBeLessThan(1)
        // Means over the holds: the areas of their trapezoids by hand.
        for (const [i, watts] of [(2 * 24.35 + 15 * 25.25) / 17, 19.35, 13.5].entries())
          expect(Math.abs(parts[i].meanW - watts), label).toBeLessThan(0.5)
      }
})

it('adds up: parts follow one another, and their energy and points are the whole run’s', () => {
  const trace = readAlong(PHONE)
  // By the trapezoids of the polyline (20.3 Wh in the design of the check).
  const joules = PHONE.slice(1).reduce(
    (sum, [m, w], i) => sum + ((w + PHONE[i][1]) / 2) * (m - PHONE[i][0]) * 60,
    0,
  )
  trace.percent = trace.time.map((t) => Math.floor((100 * t) / 6480))
  const parts = partsIn(trace)
  expect(parts[0].startS).toBe(0)
  for (const [i, part] of parts.slice(1).entries()) expect(part.startS).toBe(parts[i].endS)
  expect(parts.reduce((sum, p) => sum + p.energyWh, 0)).toBeCloseTo(joules / 3600, 6)
  expect(parts.reduce((sum, p) => sum + p.gain, 0)).toBeCloseTo(100, 6)
  expect(parts.map((p) => p.endedBy)).toEqual(['level', 'level', 'level', 'record'])
})

/** A staircase of one to four holds and its taper, and where the holds begin and end, min. */
function staircase(seed: number): { points: Point[]; edges: number[] } {
  const random = randomFrom(seed)
  const between = (low: number, high: number) => low + (high - low) * random.uniform()
  const count = 1 + Math.floor(4 * random.uniform())
  const edges: number[] = []
  let minute = 0
  let watts = between(8, 68)
  const points: Point[] = [[0, watts]]
  for (let i = 0; i < count; i++) {
    const length = between(6, 36)
    edges.push(minute, minute + length)
    minute += length
    watts *= Math.exp(between(0, 0.004) * length)
    points.push([minute, watts])
    if (i === count - 1) break
    minute += random.uniform() < 0.3 ? 0.05 : between(0.5, 5.5)
    watts *= between(0.55, 0.85)
    points.push([minute, watts])
  }
  const tau = between(10, 35)
  for (let m = 1; m <= 3 * tau; m++) points.push([minute + m, watts * Math.exp(-m / tau)])
  return { points, edges }
}

/** Fewer where each change to the program is tried: what the many are for is a share of them. */
const STAIRCASES = process.env.MUTANTS_ROOM ? 12 : 200

it('finds the holds of 200 staircases within a minute, and none in smooth tapers', () => {
  let [counted, edgesWithin, allEdges, falseHolds] = [0, 0, 0, 0]
  for (let seed = 1; seed <= STAIRCASES; seed++) {
    const { points, edges } = staircase(seed)
    const found = holdsIn(readAlong(points, { noise: 0.02, seed })).flatMap((h) => [h.startS, h.endS])
    if (found.length === edges.length) counted++
    allEdges += edges.length
    edgesWithin += edges.filter((edge, i) => Math.abs(found[i] / 60 - edge) < 1).length
    const tau = 15 + (seed % 60)
    const taper = Array.from({ length: 3 * tau }, (_, m): Point => [m, 30 * Math.exp(-m / tau)])
    if (holdsIn(readAlong(taper, { noise: 0.02, seed })).length > 0) falseHolds++
  }
  expect(counted).toBe(STAIRCASES)
  expect(edgesWithin / allEdges).toBeGreaterThan(0.99)
  expect(falseHolds / STAIRCASES).toBeLessThanOrEqual(0.05)
})

it('finds the same holds by checks every five minutes, as far as three fall into one, and none in smooth tapers', () => {
  const every5 = { hz: 1 / 300, noise: 0.005 }
  // Of the reviewer's four parts the first alone holds three checks.
  const [first] = holdsIn(readAlong(PHONE, every5))
  expect([first.startS, Math.round(first.endS)]).toEqual([0, 900])
  let [wanted, found, falseHolds] = [0, 0, 0]
  for (let seed = 1; seed <= STAIRCASES; seed++) {
    const { points, edges } = staircase(seed)
    const holds = holdsIn(readAlong(points, { ...every5, seed }))
    for (let i = 0; i < edges.length; i += 2) {
      const [from, to] = [Math.ceil(edges[i] / 5) * 5, Math.floor(edges[i + 1] / 5) * 5]
      if (to - from < 10) continue
      wanted++
      if (holds.some((h) => Math.abs(h.startS / 60 - from) <= 5 && Math.abs(h.endS / 60 - to) <= 5)) found++
    }
    const tau = 15 + (seed % 60)
    const taper = Array.from({ length: 3 * tau }, (_, m): Point => [m, 30 * Math.exp(-m / tau)])
    if (holdsIn(readAlong(taper, { ...every5, seed })).length > 0) falseHolds++
  }
  expect(found / wanted).toBeGreaterThan(0.9)
  expect(falseHolds / STAIRCASES).toBeLessThanOrEqual(0.05)
})

it('does not take the zero at the switch, and the first watts minutes later, for a slope', () => {
  const watts = [0, 17.9, 17.8, 13.6, 13.6, 13.7, 9.8, 9.8, 6.6, 6.6, 6.6, 6.6, 5.9, 2.9, 1.5, 0.8, 0.3]
  const trace = { time: Float64Array.from(watts, (_, i) => 300 * i), power: Float64Array.from(watts), temperatures: {} }
  expect(holdsIn(trace).map((h) => [h.startS / 60, h.endS / 60])).toEqual([[5, 10], [15, 25], [30, 35], [40, 55]])
}) // prettier-ignore

it('keeps its parts when watts are scaled or the clock is shifted', () => {
  const trace = readAlong(PHONE)
  const edges = (t: Trace) => holdsIn(t).flatMap((h) => [h.startS, h.endS])
  const plain = edges(trace)
  fc.assert(
    fc.property(
      fc.double({ min: 0.3, max: 10, noNaN: true }),
      fc.integer({ min: 0, max: 20_000 }),
      (k, s) => {
        const other = { ...trace, power: trace.power!.map((w) => w * k), time: trace.time.map((t) => t + s) }
        for (const [i, at] of edges(other).entries()) expect(at - s).toBeCloseTo(plain[i], 3)
      },
    ),
    { numRuns: 20 },
  )
})

it('tells an on–off trickle at the end from the taper before it, and a single spike from both', () => {
  const trickle = Array.from({ length: 8 }, (_, i): Point[] => [
    [60 + 2 * i, i % 2 ? 0.1 : 4],
    [61.9 + 2 * i, i % 2 ? 0.1 : 4],
  ]).flat()
  const taper: Point[] = [
    [0, 20],
    [20, 20],
    [40, 8],
    [59.9, 4],
  ]
  const parts = partsIn(readAlong([...taper, ...trickle], { noise: 0.02 }))
  expect(parts.map((p) => p.kind)).toEqual(['hold', 'taper', 'trickle'])
  // It first goes off at minute 62 (two on, two off, in turn).
  expect(parts[2].startS / 60).toBeCloseTo(62, 0)
  expect(partsIn(readAlong([...taper, [90, 0.5]], { noise: 0.02 })).map((p) => p.kind)).toEqual([
    'hold',
    'taper',
  ])
})

it('says that heat or the supply ended a part, where the record shows it', () => {
  const steps: Point[] = [
    [0, 30],
    [12, 30],
    [12.1, 18],
    [40, 18],
    [60, 8],
  ]
  const trace = readAlong(steps)
  trace.percent = trace.time.map((t) => Math.floor(10 + t / 90))
  expect(partsIn(trace)[0].endedBy).toBe('level')
  const hot = {
    ...trace,
    temperatures: { back: trace.time.map((t) => (t % 300 === 0 && t <= 900 ? 41 : NaN)) },
  }
  expect(partsIn(hot)[0].endedBy).toBe('heat')
  const stepped = { ...trace, voltage: trace.time.map((t) => (t < 740 ? 15 : 9)) }
  expect(partsIn(stepped)[0].endedBy).toBe('supply')
  // Without a level nobody can say that it was the battery's.
  expect(partsIn({ ...trace, percent: undefined })[0].endedBy).toBe('unknown')
  expect(partsIn({ ...hot, percent: trace.percent.map((p) => p + 55) })[0].endedBy).toBe('level')
})

it('takes any trace, and makes nothing of one that holds nothing', () => {
  const of = (time: number[], watts: number[]): Trace => ({
    time: Float64Array.from(time),
    power: Float64Array.from(watts),
    temperatures: {},
  })
  expect(partsIn(of([], []))).toEqual([])
  expect(partsIn({ time: Float64Array.of(0, 60), temperatures: {} })).toEqual([])
  expect(partsIn(of([0], [5]))).toEqual([])
  expect(partsIn(of([0, 0, 0], [5, 5, 5]))).toEqual([])
  expect(partsIn(of([0, 300, 600, 900], [-2, -2, -2, -2])).map((p) => p.kind)).toEqual(['taper'])
  expect(partsIn(of([0, 300, 600, 900, 1200], [9, 9.1, 9, 9, 9.1])).map((p) => p.kind)).toEqual(['hold'])
})

it('takes a hold of two days for one hold, at a cost that grows with its length', () => {
  const days: Point[] = [
    [0, 5],
    [2880, 5],
    [2900, 1],
  ]
  expect(holdsIn(readAlong(days, { hz: 0.1, noise: 0.02 }))).toMatchObject([
    { startS: 0, endS: expect.closeTo(2880 * 60, -2) },
  ])
})

it('cuts two lines where they meet', () => {
  const t = Array.from({ length: 40 }, (_, i) => i)
  const pieces = straightPieces(
    t,
    t.map((i) => (i < 25 ? i : 25 - 3 * (i - 25))),
    0.5,
  )
  expect(pieces.map(({ from, to }) => [from, to])).toEqual([
    [0, expect.closeTo(25, -1)],
    [expect.closeTo(25, -1), 40],
  ])
  expect(pieces.map((p) => Math.round(p.slope * 1e6) / 1e6)).toEqual([1, -3])
  expect(straightPieces([1], [1], 1)).toEqual([])
})
