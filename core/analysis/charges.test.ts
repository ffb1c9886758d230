import { expect, it } from 'vitest'
import { traceFromReadings, type Reading, type Trace } from '../trace/trace'
import { chargesIn, surely } from './charges'

/** Readings of stretches after each other, one a minute: how long, min, and what is read at a minute of it. */
const log = (...stretches: [number, (minute: number) => Omit<Reading, 't'>][]): Trace => {
  let at = 0
  return traceFromReadings(
    stretches.flatMap(([minutes, read]) =>
      Array.from({ length: minutes }, (_, m) => ({ t: 60 * at++, ...read(m) })),
    ),
  )
}
/** Where each begins and ends, min, and whether it surely is one. */
const told = (trace: Trace) =>
  chargesIn(trace).map(({ fromS, toS, isSure }) => [fromS / 60, toS / 60, isSure])

const level = (percent: number) => () => ({ percent, power: 0 })
/** A point a minute, at full power until it tapers at 80 %. */
const charge = (from: number, watts: number) => (m: number) => {
  const percent = Math.min(100, from + m)
  return { percent, power: percent < 80 ? watts : (watts * (102 - percent)) / 22 }
}
const watts = (power: number) => () => ({ power })
const only = (what: (m: number) => Omit<Reading, 't'>, name: 'percent' | 'power') => (m: number) => ({
  [name]: what(m)[name],
})

it('parts a record at a level that fell while nothing flowed', () => {
  const record = log([100, charge(5, 18)], [30, level(100)], [10, level(6)], [80, charge(6, 10)])
  // 100 % is seen at minute 95; what rests for five minutes after the last watts is of the first.
  expect(told(record)).toEqual([
    [0, 104, true],
    [139, Infinity, true],
  ])
  const three = log([60, charge(5, 18)], [9, level(30)], [60, charge(5, 10)], [9, level(30)], [60, charge(5, 5)]) // prettier-ignore
  expect(told(three).map(([from]) => from)).toEqual([0, 68, 137])
})

it('parts it where the log stopped while it was drained, and begins the first where it idled', () => {
  const record = log([5, level(5)], [90, charge(5, 18)], [30, charge(8, 18)])
  expect(told(record)).toEqual([
    [4, 94, true],
    [95, Infinity, true],
  ])
})

it('takes a wrong reading, a level drained under load, and one drained before its charge for no other charge', () => {
  const slip = log([40, charge(5, 18)], [1, () => ({ percent: 0, power: 18 })], [40, charge(44, 18)])
  const load = log([30, charge(50, 18)], [40, (m) => ({ percent: 79 - m, power: 18 })], [40, charge(40, 18)])
  const drained = log([40, (m) => ({ percent: 45 - m })], [60, only(charge(5, 18), 'percent')])
  const small = log([40, charge(5, 18)], [20, level(36)], [40, charge(36, 18)])
  expect([slip, load, drained, small].map(told)).toEqual([[], [], [], []])
})

it('needs a fall of ten points and a rise of five, however coarsely it was read', () => {
  const reading = (percent: number) => ({ percent, power: 18 })
  const levels = (...of: number[]) => told(log([of.length, (m) => reading(of[m])])).map(([from]) => from)
  expect([levels(20, 25, 15, 20), levels(20, 25, 16, 21), levels(20, 25, 15, 19)]).toEqual([[0, 2], [], []])
  expect([levels(21, 25, 15, 20), levels(60, 80, 100, 7, 13, 19)]).toEqual([[], [0, 3]])
  // Twice the same wrong reading is wrong as well; a point less before the fall is of the charge before it.
  expect([levels(40, 45, 0, 0, 45, 46), levels(5, 100, 99, 98, 20, 26)]).toEqual([[], [0, 4]])
  expect(told(log([6, (m) => reading([5, 100, 99, 99, 20, 26][m])]))).toEqual([[0, 3, true], [4, Infinity, true]]) // prettier-ignore
})

it('says of levels alone that slowly fell that another charge may have begun, and of a step that it has', () => {
  const rising = only(charge(5, 18), 'percent')
  const slowly = log([60, rising], [30, (m) => ({ percent: 64 - 2 * m })], [60, rising])
  // From five minutes after its highest the first no longer tells anything; the second begins at the last lowest level.
  expect(told(slowly)).toEqual([
    [0, 60, true],
    [90, Infinity, false],
  ])
  expect(told(log([60, rising], [60, rising])).map(([, , isSure]) => isSure)).toEqual([true, true])
})

it('parts watts alone after five minutes of nothing: surely where what had tapered flows at full strength again', () => {
  const full = only(charge(5, 18), 'power')
  expect(told(log([98, full], [15, watts(0)], [98, only(charge(5, 12), 'power')]))).toEqual([
    [0, 102, true],
    [112, Infinity, true],
  ])
  // A protective hold at 80 %, or a pause in the middle, may look the same.
  const held = log([75, full], [120, watts(0)], [22, only(charge(80, 18), 'power')])
  expect(told(held)).toEqual([
    [0, 79, true],
    [194, Infinity, false],
  ])
  expect(told(log([75, full], [4, watts(0)], [22, full]))).toEqual([])
})

it('takes the top-ups of a full battery, and a blip before power-on, for no other charge', () => {
  const topUp: [number, () => Omit<Reading, 't'>][] = [[30, watts(0)], [2, watts(6)]] // prettier-ignore
  expect(told(log([98, only(charge(5, 18), 'power')], ...topUp, ...topUp, ...topUp))).toEqual([])
  expect(told(log([1, watts(18)], [30, watts(0)], [60, watts(18)]))).toEqual([])
})

it('finds none in what says nothing', () => {
  expect(chargesIn(traceFromReadings([]))).toEqual([])
  expect(chargesIn(log([60, () => ({ temperatures: { '': 20 } })]))).toEqual([])
  expect(chargesIn(log([60, watts(0)], [60, level(5)]))).toEqual([])
  // Nor in a gauge that jumps to and fro all the time.
  expect(chargesIn(log([5000, (m) => ({ percent: (m >> 3) % 2 ? 20 + (m % 8) * 3 : 10 })]))).toEqual([])
})

it('leaves what may be a hold or a pause with the charge before it, where only sure ones are parted', () => {
  // Ten minutes of nothing at 18 W and on at 18 W: a hold, maybe. Tapered, and 18 W again: another battery.
  const record = log([30, watts(18)], [10, watts(0)], [30, watts(18)], [20, watts(2)], [10, watts(0)], [30, watts(18)]) // prettier-ignore
  expect(told(record).map(([, , isSure]) => isSure)).toEqual([true, false, true])
  const sure = surely(chargesIn(record))
  expect(sure.map(({ fromS, toS }) => [fromS / 60, toS / 60])).toEqual([
    [0, told(record)[1][1]],
    [told(record)[2][0], Infinity],
  ])
  // A pause alone is no two charges.
  expect(surely(chargesIn(log([30, watts(18)], [10, watts(0)], [30, watts(18)])))).toHaveLength(1)
  expect(surely([])).toEqual([])
})
