import { expect, it } from 'vitest'
import { appended, goesOnAt } from './append'
import type { Trace } from './trace'

const of = (...columns: number[]) => Float64Array.from(columns)
const first: Trace = { time: of(0, 60, 120), percent: of(5, 6, 7), temperatures: { back: of(24, 25, 26) } }
const second: Trace = {
  time: of(0, 30),
  percent: of(8, 9),
  power: of(18, 17),
  temperatures: { front: of(27, 28) },
  notes: ['', 'replugged'],
}

it('sets what came after behind what came first, on its clock', () => {
  const { time, percent, power, temperatures, notes } = appended(first, second, 180)
  expect([time, percent]).toEqual([of(0, 60, 120, 180, 210), of(5, 6, 7, 8, 9)])
  expect(power).toEqual(of(NaN, NaN, NaN, 18, 17))
  expect(temperatures).toEqual({ back: of(24, 25, 26, NaN, NaN), front: of(NaN, NaN, NaN, 27, 28) })
  expect(notes).toEqual(['', '', '', '', 'replugged'])
  // Nothing of either is changed; what neither holds is none.
  expect([first.time.length, second.time[0], 'voltage' in appended(first, second, 180)]).toEqual([3, 0, false]) // prettier-ignore
  expect(appended(second, first, 30).notes).toEqual(['', 'replugged', '', '', ''])
  expect(appended(first, { ...first }, 120).notes).toBeUndefined()
})

it('refuses what would have begun before the end', () => {
  expect(appended(first, second, 120).time).toEqual(of(0, 60, 120, 120, 150))
  expect(() => appended(first, second, 119)).toThrow(/before the last reading/)
  expect(() => appended(first, second, NaN)).toThrow()
})

it('goes on by the moments both began at, else a step after the end', () => {
  expect([goesOnAt(first, second, 500), goesOnAt(first, second, 120)]).toEqual([500, 120])
  expect([goesOnAt(first, second, 119), goesOnAt(first, second, NaN)]).toEqual([150, 150])
  const late = { ...second, time: of(10, 40) }
  expect([goesOnAt(first, late, 110), goesOnAt(first, late, NaN)]).toEqual([110, 140])
})
