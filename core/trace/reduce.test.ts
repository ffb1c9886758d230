import fc from 'fast-check'
import { expect, it } from 'vitest'
import { reduce } from './reduce'

const samples = (v: number[]) => ({ t: Float64Array.from(v, (_, i) => i), v: Float64Array.from(v) })

it('keeps a spike of one second in a day, and both ends', () => {
  const day = samples(Array.from({ length: 86_400 }, (_, i) => (i === 50_000 ? 45 : 9)))
  const { t, v } = reduce(day, 800)
  expect(t.length).toBeLessThanOrEqual(3200)
  expect(v[t.indexOf(50_000)]).toBe(45)
  expect([t[0], t.at(-1)]).toEqual([0, 86_399])
})

it('hands few samples back as they are', () => {
  const few = samples([1, 2, 3])
  expect(reduce(few, 800)).toBe(few)
})

it('keeps the highest and lowest of any span, in order, and invents nothing', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 400 }),
      fc.integer({ min: 1, max: 30 }),
      (values, spans) => {
        const all = samples(values)
        const { t, v } = reduce(all, spans)
        expect(t.length).toBeLessThanOrEqual(Math.max(4 * spans, 0))
        t.forEach((at, i) => {
          expect(v[i]).toBe(values[at])
          if (i > 0) expect(at).toBeGreaterThan(t[i - 1])
        })
        const width = (values.length - 1) / spans
        for (let span = 0; span < spans; span++) {
          const within = (at: number) => at >= span * width && (span === spans - 1 || at < (span + 1) * width)
          const whole = values.filter((_, at) => within(at))
          const kept = [...v].filter((_, i) => within(t[i]))
          if (!whole.length) continue
          expect([Math.min(...kept), Math.max(...kept)]).toEqual([Math.min(...whole), Math.max(...whole)])
        }
      },
    ),
    { seed: 4, numRuns: 500 },
  )
})
