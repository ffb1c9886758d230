import { ASSUMED_EFFICIENCY } from '../analysis/spot'
import type { Outcome } from '../gear/agree'
import type { ObservedOutcome } from '../gear/gear'
import { mean } from '../stats/mean'
import { decimal } from '../trace/decimal'
import { unitsJoined } from '../trace/typedNumber'

/** What a survey reads at one source: V, A, W at moments since it was plugged in, s. NaN where not read. */
export interface SurveyReading {
  t: number
  volts: number
  amps: number
  watts: number
}

/** Settled: the mean of the last 10 s lies within 3 % of the 10 s before, 15 s at least after any change of level. */
const WINDOW_S = 10
const WITHIN = 0.03
const AFTER_CHANGE_S = 15
/** Volts that differ by more than this share are another level. */
const OTHER_LEVEL = 0.1
/** A pad looks for its device first, s. */
const PAD_AT_LEAST_S = 60
/** Less than this is no charging, W. */
const NOTHING_W = 0.3
/** Below this share of what was expected it charges slowly. */
const SLOW_SHARE = 0.5

const VALUE = /^([+\-−]?[\d.,]+)(v|m?a|w)?$/i

/**
 * Watts by hand are typed as "5.2 2.34" (volts and amperes) or "12.2" (watts alone), or with their units in any order, as
 * "2.34A @ 5.2V"; null where that is neither.
 */
export function typedSurvey(text: string): Omit<SurveyReading, 't'> | null {
  const parts = unitsJoined(text.trim()).split(/[\s;/@×x]+/).filter(Boolean).map((part) => VALUE.exec(part))
  const values = parts.map((part) => (part ? decimal(part[1]) : NaN))
  if (parts.length === 0 || parts.length > 2 || values.some(Number.isNaN)) return null
  const units = parts.map((part) => part?.[2]?.toLowerCase() ?? '')
  const [first, second] = values
  if (second === undefined) return ['', 'w'].includes(units[0]) ? { volts: NaN, amps: NaN, watts: first } : null
  const flow = (unit: string, value: number) => (unit === 'ma' ? value / 1000 : value)
  const [volts, amps] = units[0].endsWith('a') ? [second, flow(units[0], first)] : [first, flow(units[1], second)]
  const isPair = ['', 'av', 'mav', 'va', 'vma'].includes(units.join(''))
  return isPair ? { volts, amps, watts: volts * amps } : null
} // prettier-ignore

/** A meter that speaks more often is kept at this step, s: settling is judged over ten seconds. */
const STEP_S = 0.9
/** An hour and more of one source: what came first has nothing to say any more. */
const MOST_READINGS = 4000

/**
 * The readings with one more by an instrument: at most one a second, and never before the last, whatever the clock did.
 * The same list where it adds nothing.
 */
export function withSample(
  readings: readonly SurveyReading[],
  { t, volts, amps }: Pick<SurveyReading, 't' | 'volts' | 'amps'>,
): readonly SurveyReading[] {
  const last = readings[readings.length - 1]
  if (!Number.isFinite(volts * amps) || (last && t - last.t < STEP_S && t >= last.t)) return readings
  return [...readings, { t: Math.max(t, last?.t ?? 0), volts, amps, watts: volts * amps }].slice(
    -MOST_READINGS,
  )
}

/** Amperes that no idle port gives, and amperes that say that nothing is plugged in. */
const FLOWS_A = 0.05
const RESTS_A = 0.02

/**
 * Whether a meter's current says that the next source was plugged in: it must have rested since the last one.
 *
 * @param rested whether it has been seen to rest since the last source was kept
 */
export function pluggedIn(rested: boolean, amps: number): { rested: boolean; isIn: boolean } {
  if (Math.abs(amps) <= RESTS_A) return { rested: true, isIn: false }
  return { rested, isIn: rested && Math.abs(amps) >= FLOWS_A }
}

/** When the supply last changed its level, s; 0 where it never did. */
function lastChange(readings: readonly SurveyReading[]): number {
  let at = 0
  readings.forEach(({ t, volts }, i) => {
    const before = readings[i - 1]?.volts ?? NaN
    if (Math.abs(volts - before) > OTHER_LEVEL * before) at = t
  })
  return at
}

/**
 * What a source holds once it has settled: means of the last ten seconds; of readings by hand, far apart, of the last two
 * that agree. Null while it has not settled.
 *
 * @param isPad a pad takes a minute at least
 * @example held([{ t: 16, volts: 5.2, amps: 2.34, watts: 12.2 }, { t: 30, volts: 5.2, amps: 2.34, watts: 12.2 }]) // 12.2 W
 */
export function held(readings: readonly SurveyReading[], isPad = false): Omit<SurveyReading, 't'> | null {
  const last = readings[readings.length - 1]
  if (!last) return null
  const from = lastChange(readings) + (isPad ? PAD_AT_LEAST_S : AFTER_CHANGE_S)
  if (last.t < from) return null
  const within = (a: number, b: number) => readings.filter(({ t }) => t > a && t <= b)
  const late = within(last.t - WINDOW_S, last.t)
  const windowed = within(last.t - 2 * WINDOW_S, last.t - WINDOW_S)
  const early = windowed.length ? windowed : readings.slice(0, -late.length).slice(-1)
  if (early.length === 0) return null
  const watts = (of: readonly SurveyReading[]) => mean(of.map((r) => r.watts))
  const [a, b] = [watts(early), watts(late)]
  if (Math.abs(b - a) > WITHIN * Math.max(Math.abs(a), Math.abs(b), NOTHING_W)) return null
  const of = (what: 'volts' | 'amps') => mean(late.map((r) => r[what]))
  return { volts: of('volts'), amps: of('amps'), watts: b }
}

/** What watts say of the outcome, where the reviewer does not know better. */
export function outcomeOf(watts: number, expected: { outcome: Outcome; watts: number }): ObservedOutcome {
  if (watts < -NOTHING_W) return 'loses'
  if (watts <= NOTHING_W) return 'connected'
  const isLess = expected.watts > 0 && watts < SLOW_SHARE * expected.watts
  return isLess || expected.outcome === 'slow' ? 'slow' : 'charges'
}

/**
 * How long one must watch before "does not charge" is a claim, s: until the display could have shown one more point at
 * the watts seen. Infinity without any: then the watts are the claim.
 *
 * @param usableWh of the battery, Wh
 */
export const watchAtLeast = (watts: number, usableWh: number, efficiency = ASSUMED_EFFICIENCY): number =>
  watts > 0 ? ((usableWh / 100) * 3600) / (watts * efficiency) : Infinity
