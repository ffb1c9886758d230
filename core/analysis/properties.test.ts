import fc from 'fast-check'
import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { energy } from './energy'
import { energyFlow, passed } from './flow'
import { milestones } from './milestones'
import { power } from './power'

// What holds for any trace, whatever was read in it.

/** Readings at whole seconds, some at one instant; levels that mostly rise; watts that now and then flow out. */
const readings = fc
  .array(
    fc.record({
      step: fc.integer({ min: 0, max: 400 }),
      up: fc.integer({ min: -2, max: 9 }),
      watts: fc.option(fc.integer({ min: -10, max: 60 })),
      levelRead: fc.boolean(),
    }),
    { minLength: 3, maxLength: 40 },
  )
  .map((moves) => {
    let [t, level] = [0, 2]
    return moves.map(({ step, up, watts, levelRead }): Reading => {
      t += step
      level = Math.min(100, Math.max(0, level + up))
      return { t, ...(levelRead ? { percent: level } : {}), ...(watts === null ? {} : { power: watts }) }
    })
  })
const net = (of: readonly Reading[]) => {
  const { energyWh, bridgedWh } = energy(traceFromReadings(of))
  return energyWh + bridgedWh
}

it('energy adds up over any cut', () => {
  fc.assert(
    fc.property(readings, fc.double({ min: 0, max: 1, noNaN: true }), (of, share) => {
      const trace = traceFromReadings(of)
      const flow = energyFlow(trace)
      const endS = trace.time[trace.time.length - 1]
      const over = (startS: number, end: number) => {
        const { measured, bridged } = passed(flow, { startS, endS: end })
        return measured + bridged
      }
      fc.pre(endS > 0 && !Number.isNaN(over(0, endS)))
      const at = share * endS
      expect(over(0, at) + over(at, endS)).toBeCloseTo(over(0, endS), 6)
    }),
  )
})

it('k times the watts are k times the energy and the peaks', () => {
  fc.assert(
    fc.property(readings, fc.integer({ min: 1, max: 8 }), (of, k) => {
      fc.pre(!Number.isNaN(net(of)))
      const larger = of.map((r) => (r.power === undefined ? r : { ...r, power: k * r.power }))
      const [one, many] = [of, larger].map((r) => power(traceFromReadings(r)))
      expect(net(larger)).toBeCloseTo(k * net(of), 6)
      expect(many.peakW).toBeCloseTo(k * one.peakW, 9)
      expect(many.heldPeakW).toBeCloseTo(k * one.heldPeakW, 6)
    }),
  )
})

it('a clock set otherwise moves every time alike, and no length', () => {
  fc.assert(
    fc.property(readings, fc.integer({ min: 1, max: 5000 }), (of, by) => {
      const later = of.map((r) => ({ ...r, t: r.t + by }))
      const [before, after] = [of, later].map((r) => milestones(traceFromReadings(r), [50, 80, 100]))
      for (const [i, m] of before.entries()) {
        expect(after[i].reason).toBe(m.reason)
        if (m.reason) continue
        expect(after[i].timeS - m.timeS).toBeCloseTo(by, 6)
        expect(after[i].latestS - after[i].earliestS).toBeCloseTo(m.latestS - m.earliestS, 9)
        expect(after[i].uncertaintyS).toBeCloseTo(m.uncertaintyS, 6)
      }
    }),
  )
})

it('a watched reading never widens a bracket, its own or another', () => {
  fc.assert(
    fc.property(readings, fc.nat(), (of, which) => {
      const at = of[which % of.length]
      fc.pre(at.percent !== undefined)
      const seen = of.map((r) => (r === at ? { ...r, watched: 1 } : r))
      const [before, after] = [of, seen].map((r) => milestones(traceFromReadings(r), [at.percent!, 50, 100]))
      for (const [i, m] of before.entries()) {
        if (m.reason) continue
        expect(after[i].earliestS).toBeGreaterThanOrEqual(m.earliestS)
        expect(after[i].latestS).toBeLessThanOrEqual(m.latestS)
      }
    }),
  )
})
