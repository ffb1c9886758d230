import type { Samples } from '../trace/samples'
import { bendAt } from './bend'
import { covers, HALF_POINT, type Bracket, type Shown } from './bracket'
import { cut, integrate } from './integral'

/**
 * How many points the level may lie off the straight line at a moment in the bracket that ends with reading `seen`, by
 * what its neighbours say of the curve. Signed.
 */
export function pointsOff(shown: Shown, power: Samples, seen: number, bracket: Bracket, atS: number): number {
  const { t, v } = shown
  const { fromS, toS, fromLevel, toLevel } = bracket
  const at = (i: number) => (i >= 0 && i < t.length ? t[i] : NaN)
  // A full display says nothing of what lies under it.
  const level = (i: number) => (i >= 0 && i < t.length && v[i] < 100 ? v[i] + HALF_POINT : NaN)
  const times = [at(seen - 2), fromS, toS, at(seen + 1)]
  const levels = [level(seen - 2), fromLevel, toLevel, level(seen + 1)]
  // Against delivered energy where that is what the estimate went by; against time where not.
  const byEnergy = covers(power, fromS, toS)
  const x = byEnergy ? times.map((s) => energyBetween(power, fromS, s)) : times
  const here = byEnergy ? energyBetween(power, fromS, atS) : atS
  return bendAt(x, levels, here)
}

/** Joules from one moment to another, negative backwards; NaN where the meter does not cover the way. */
function energyBetween(power: Samples, from: number, to: number): number {
  if (from === to) return 0
  const [a, b] = from < to ? [from, to] : [to, from]
  if (Number.isNaN(a) || Number.isNaN(b) || !covers(power, a, b)) return NaN
  const joules = integrate(cut(power, a, b), { threshold: Infinity }).measured
  return from < to ? joules : -joules
}
