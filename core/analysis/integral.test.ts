import { describe, expect, it } from 'vitest'
import { cut, gapThreshold, integrate, timeOfShare } from './integral'

const samples = (...at: [number, number][]) => ({
  t: Float64Array.from(at, ([t]) => t),
  v: Float64Array.from(at, ([, v]) => v),
})
const held = { threshold: 1000 }

describe('the integral of straight lines, by the areas of triangles and rectangles', () => {
  it.each([
    ['above zero', samples([0, 4], [100, 8]), 600, 0],
    ['below it', samples([0, -4], [100, -8]), 0, 600],
    ['down through it', samples([0, 10], [100, -30]), 125, 1125],
    ['up through it', samples([0, -10], [100, 30]), 1125, 125],
    ['up from it', samples([0, 0], [100, 8]), 400, 0],
    ['down to it', samples([0, -8], [100, 0]), 0, 400],
    ['a step', samples([0, 2], [50, 2], [50, 6], [100, 6]), 400, 0],
  ])('%s', (_, line, into, outOf) => {
    const found = integrate(line, held)
    expect(found).toMatchObject({ into, outOf, measured: into - outOf, measuredS: 100, bridged: 0, gaps: [] })
    expect(integrate(line, { threshold: 10 })).toMatchObject(
      line.t.length === 2 ? { into, outOf, measured: 0, bridged: into - outOf, bridgedS: 100 } : { into },
    )
  })

  it('is a gap from more than a minute and three usual steps on, and off by half of the step between its ends', () => {
    expect([gapThreshold(samples()), gapThreshold(samples([0, 1])), gapThreshold(samples([0, 1], [10, 1]))]).toEqual([60, 60, 60]) // prettier-ignore
    expect(gapThreshold(samples([0, 1], [30, 1], [60, 1]))).toBe(90)
    const found = integrate(samples([0, 6], [10, 6], [20, 6], [80, 6], [141, 2], [151, 2]))
    expect(found.gaps).toEqual([{ startS: 80, endS: 141 }])
    expect(found).toMatchObject({ measured: 80 * 6 + 10 * 2, bridged: 61 * 4, measuredS: 90, bridgedS: 61, bridgedLimit: (4 * 61) / 2 }) // prettier-ignore
  })

  it('holds the first and the last over what of a span was not read, off by half of it', () => {
    const line = samples([100, -6], [200, 8])
    const over = (startS: number, endS: number) => integrate(line, { ...held, span: { startS, endS } })
    expect(over(40, 230)).toMatchObject({
      bridged: -60 * 6 + 30 * 8,
      bridgedS: 90,
      bridgedLimit: (60 * 6) / 2 + (30 * 8) / 2,
      gaps: [{ startS: 40, endS: 100 }, { startS: 200, endS: 230 }],
    }) // prettier-ignore
    expect(over(100, 200)).toMatchObject({ bridged: 0, bridgedS: 0, gaps: [] })
    // A span that ends before the first, or begins after the last.
    expect(over(10, 60).gaps[0]).toEqual({ startS: 10, endS: 60 })
    expect(over(300, 360).gaps.at(-1)).toEqual({ startS: 300, endS: 360 })
    expect(integrate(samples(), { span: { startS: 0, endS: 60 } })).toMatchObject({ measured: 0, bridged: 0, gaps: [] }) // prettier-ignore
  })
})

describe('a piece cut out', () => {
  const line = samples([0, 0], [10, 10], [20, 10], [20, 30], [30, 20])
  const piece = (from: number, to: number) => {
    const { t, v } = cut(line, from, to)
    return [...t].map((at, i) => [at, v[i]])
  }
  it('has values along the line at its ends, and all that lies between', () => {
    expect(piece(5, 15)).toEqual([[5, 5], [10, 10], [15, 10]]) // prettier-ignore
    expect(piece(10, 20)).toEqual([[10, 10], [20, 10]]) // prettier-ignore
    // At a step the side that lies within counts.
    expect(piece(20, 25)).toEqual([[20, 30], [25, 25]]) // prettier-ignore
    expect(piece(15, 30)).toEqual([[15, 10], [20, 10], [20, 30], [30, 20]]) // prettier-ignore
  })
  it('has none where nothing was read, and is one moment where it has no length', () => {
    expect(piece(-5, 5)).toEqual([[0, 0], [5, 5]]) // prettier-ignore
    expect(piece(25, 40)).toEqual([[25, 25], [30, 20]]) // prettier-ignore
    expect(piece(40, 50)).toEqual([])
    expect(piece(5, 5)).toEqual([[5, 5]])
  })
})

describe('when a share of it has passed', () => {
  it.each([
    ['even', samples([0, 5], [100, 5]), 0.25, 25],
    // A rising ramp has a quarter of its area by half of its length; a falling one three quarters.
    ['rising', samples([0, 0], [100, 10]), 0.25, 50],
    ['falling', samples([0, 10], [100, 0]), 0.75, 50],
    // 100, then 200, then 100: three eighths lie in the middle piece.
    ['in pieces', samples([0, 10], [10, 10], [10, 20], [20, 20], [20, 10], [30, 10]), 3 / 8, 12.5],
    ['at a seam', samples([0, 10], [10, 10], [20, 10]), 0.5, 10],
    ['none of it', samples([7, 10], [20, 10]), 0, 7],
    ['all of it', samples([7, 10], [20, 10]), 1, 20],
    ['nothing flowed', samples([0, 0], [20, 0]), 0.5, NaN],
    ['nothing', samples(), 0.5, NaN],
  ])('%s', (_, line, share, at) => {
    if (Number.isNaN(at)) expect(timeOfShare(line, share)).toBeNaN()
    else expect(timeOfShare(line, share)).toBeCloseTo(at, 9)
  })
})
