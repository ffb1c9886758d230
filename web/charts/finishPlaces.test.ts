import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { finishPlaces, rowsOf } from './finishPlaces'

const finish = fc.record({
  endX: fc.double({ min: -50, max: 2000, noNaN: true }),
  width: fc.double({ min: 1, max: 260, noNaN: true }),
})

describe('names on the finish line', () => {
  it('stand apart and inside the frame, the earliest highest, in any set at all', () => {
    fc.assert(
      fc.property(
        fc.array(finish, { maxLength: 24 }),
        fc.double({ min: 300, max: 2000, noNaN: true }),
        (finishes, right) => {
          const places = finishPlaces(finishes, 0, right)
          expect(rowsOf(places)).toBeLessThanOrEqual(finishes.length)
          places.forEach((a, i) => {
            expect(a.x).toBeGreaterThanOrEqual(0)
            expect(a.x + finishes[i].width).toBeLessThanOrEqual(right + 1e-9)
            for (let j = i + 1; j < places.length; j++) {
              const b = places[j]
              const apart = a.x + finishes[i].width <= b.x || b.x + finishes[j].width <= a.x
              expect(a.row !== b.row || apart).toBe(true)
              // Of two that share a stretch of the line, the earlier stands higher.
              if (!apart && finishes[i].endX < finishes[j].endX) expect(a.row).toBeGreaterThan(b.row)
            }
          })
        },
      ),
      { numRuns: 3000 },
    )
  })

  it('stay on one row while there is room, and take as many as it needs when all arrive at once', () => {
    const far = [0, 200, 400].map((endX) => ({ endX, width: 100 }))
    expect(finishPlaces(far, 0, 600)).toEqual(far.map(({ endX }) => ({ x: endX, row: 0 })))
    const atOnce = Array.from({ length: 8 }, () => ({ endX: 390, width: 150 }))
    expect(finishPlaces(atOnce, 0, 390).map((p) => p.row)).toEqual([7, 6, 5, 4, 3, 2, 1, 0])
  })

  it('end on the heights that once went round for ever: a label a hair less than its own height away', () => {
    const y = 0.1 + 0.2
    const hairs = Array.from({ length: 50 }, (_, i) => ({ endX: y + i * Number.EPSILON, width: 17 }))
    expect(rowsOf(finishPlaces(hairs, 0, 100))).toBe(50)
  })
})
