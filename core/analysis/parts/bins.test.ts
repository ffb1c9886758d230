import { expect, it } from 'vitest'
import { binsOf } from './bins'

const bins = (t: number[], v: number[], seconds: number) => {
  const found = binsOf({ t: Float64Array.from(t), v: Float64Array.from(v) }, seconds)
  return [...found.t].map((at, i) => [found.startS[i], found.endS[i], at, found.v[i]])
}

it('gathers readings into stretches from the first on, each with its median; the last ends with the record', () => {
  // Begun at 5 s: stretches of 30 s from there, a reading on a seam in the later one; a spike moves none.
  const found = bins([5, 15, 25, 35, 45, 55, 64, 65, 70], [4, 900, 6, 8, 2, 3, 7, 9, 5], 30)
  expect(found).toEqual([
    [5, 35, 20, 6],
    [35, 65, 50, (3 + 7) / 2],
    [65, 70, 67.5, (5 + 9) / 2],
  ])
})

it('leaves out stretches without a reading, and keeps order where values are large and small', () => {
  expect(bins([0, 10, 20, 1000, 1010], [10, 9, 100, 2, 1], 30)).toEqual([
    [0, 30, 15, 10],
    [990, 1010, 1000, 1.5],
  ])
})

it('lets readings as far apart as a stretch, or one alone, stand by themselves', () => {
  expect(bins([0, 30, 60], [1, 2, 3], 30)).toEqual([[0, 0, 0, 1], [30, 30, 30, 2], [60, 60, 60, 3]]) // prettier-ignore
  expect(bins([7], [1], 30)).toEqual([[7, 7, 7, 1]])
  expect(bins([], [], 30)).toEqual([])
})
