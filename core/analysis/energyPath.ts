import type { Samples } from '../trace/samples'
import type { Trace } from '../trace/trace'
import { energyFlow } from './flow'

const SECONDS_PER_HOUR = 3600

/**
 * The energy that went past the meter until each reading, Wh over s: its own count where that is the better, else the
 * area under its watts along straight lines, gaps bridged. Empty where neither was read.
 */
export function energyPath(trace: Trace): Samples {
  const { rate, count, from } = energyFlow(trace)
  if (from === 'counter' && count) return count.samples
  const v = new Float64Array(rate.t.length)
  for (let i = 1; i < v.length; i++) {
    const seconds = rate.t[i] - rate.t[i - 1]
    v[i] = v[i - 1] + ((rate.v[i] + rate.v[i - 1]) / 2) * (seconds / SECONDS_PER_HOUR)
  }
  return { t: rate.t, v }
}
