import fc from 'fast-check'
import { expect, it } from 'vitest'
import { apart, eventPlaces } from './eventPlaces'

const word = fc.record({
  x: fc.double({ min: 0, max: 700, noNaN: true }),
  width: fc.double({ min: 1, max: 300, noNaN: true }),
})

it('puts words above their ticks, the next row up where they would touch, and none where no row is free', () => {
  const at = (...x: number[]) => x.map((at) => ({ x: at, width: 100 }))
  expect(eventPlaces(at(50, 200, 240), 0, 700, 2)).toEqual([
    { left: 0, row: 0 },
    { left: 150, row: 0 },
    { left: 190, row: 1 },
  ])
  // Kept inside at either end; in the order of the clock, whatever order they come in.
  expect(eventPlaces(at(690, 0, 5, 10), 0, 700, 2)).toEqual([
    { left: 600, row: 0 },
    { left: 0, row: 0 },
    { left: 0, row: 1 },
    null,
  ])
  expect(eventPlaces([{ x: 50, width: 800 }, { x: NaN, width: NaN }], 0, 700, 2)).toEqual([null, null]) // prettier-ignore
})

it('moves marks along until none lies over another, and none beyond the edge', () => {
  expect(apart([10, 10, 100], 20, 300)).toEqual([10, 30, 100])
  expect(apart([295, 10, 300, 298], 20, 300)).toEqual([260, 10, 300, 280])
  expect(apart([], 20, 300)).toEqual([])
  expect(apart([5, 5, 5, 5], 20, 30)).toEqual([0, 10, 20, 30])
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0, max: 700, noNaN: true }), { maxLength: 20 }), (at) => {
      const moved = apart(at, 20, 700)
      expect(Math.max(0, ...moved)).toBeLessThanOrEqual(700)
      const sorted = [...moved].sort((a, b) => a - b)
      sorted.slice(1).forEach((x, i) => expect(x - sorted[i]).toBeGreaterThan(19.999))
    }),
  )
})

it('never lets words touch or leave the frame, for any set of them', () => {
  fc.assert(
    fc.property(fc.array(word, { maxLength: 40 }), fc.integer({ min: 1, max: 4 }), (words, rows) => {
      const places = eventPlaces(words, 0, 700, rows)
      const spans = places.flatMap((p, i) =>
        p ? [{ row: p.row, from: p.left, to: p.left + words[i].width }] : [],
      )
      for (const [i, a] of spans.entries()) {
        expect(a.from >= 0 && a.to <= 700.001 && a.row < rows).toBe(true)
        for (const b of spans.slice(i + 1))
          expect(a.row !== b.row || a.to < b.from || b.to < a.from).toBe(true)
      }
    }),
    { numRuns: 500 },
  )
})
