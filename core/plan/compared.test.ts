import { expect, it } from 'vitest'
import { SCHOOLS } from '../protocol/schools'
import { comparedBy, comparedPairs, expectedFigure } from './compared'

it('sets the sources of a device against each other, and devices where each has one source alone', () => {
  const pair = (deviceId: string, sourceId: string) => ({ deviceId, sourceId })
  const told = (...pairs: ReturnType<typeof pair>[]) =>
    comparedPairs(pairs).map(({ by, id, pairs: own }) => `${by} ${id} ${own.length}`)
  expect(told(pair('p', 'a'), pair('p', 'b'), pair('t', 'a'))).toEqual(['device p 2'])
  expect(told(pair('p', 'a'), pair('t', 'a'), pair('l', 'b'))).toEqual(['source a 2'])
  expect(told(pair('p', 'a'))).toEqual([])
})

it('compares by time, or by points where the time is fixed and points are what is asked', () => {
  const by = (id: string, questionId: string) =>
    comparedBy({ protocol: SCHOOLS.find((p) => p.id === id)!, questionId })
  expect(by('one-to-full', 'many-sources')).toBe('time')
  expect(by('top-up', 'top-up')).toBe('points')
  // A spot check goes by the meter's count.
  expect([by('spot-check', 'top-up'), by('top-up', 'at-all'), by('top-up', 'under-load')]).toEqual([null, null, null])
  const expected = (basis: 'run' | 'watched' | 'fixed', endPercent = 67) => ({ basis, chargeS: 1800, endPercent })
  expect(expectedFigure('time', expected('run'), 15)).toBe(1800)
  expect(expectedFigure('points', expected('fixed'), 15)).toBe(52)
  // What does not charge comes to nothing that could be compared.
  expect(expectedFigure('time', expected('watched'), 15)).toBeNaN()
  expect([expectedFigure('points', expected('fixed', 15), 15), expectedFigure('points', undefined, 15)]).toEqual([NaN, NaN])
}) // prettier-ignore
