import { medianInterval, type Samples } from '../trace/samples'
import type { Trace } from '../trace/trace'
import { bracketBefore, shareOf, shownOf } from './bracket'

/** Levels read closer together than this, s, are a log: each whole point is seen to turn. */
const LOGGED_WITHIN_S = 30

/**
 * The level that is taken to lie under the display, as the milestones take it: seconds and points. In a log it goes
 * through the moments at which whole points turned; between checks by hand it runs straight, half a point above what
 * was shown; a watched reading stands for its level, and full is full from the estimate of that moment on.
 *
 * @example workedOutLevel(traceFromReadings([{ t: 0, percent: 10 }, { t: 600, percent: 20 }])).v // [10.5, 20.5]
 */
export function workedOutLevel(trace: Trace): Samples {
  const shown = shownOf(trace)
  const { t, v, watched } = shown
  if (t.length === 0) return { t, v }
  const isLog = medianInterval(shown) <= LOGGED_WITHIN_S
  const [at, level]: [number[], number[]] = [[], []]
  const put = (s: number, percent: number) => {
    at.push(s)
    level.push(Math.min(100, percent))
  }
  // What goes on after the last point turned is not known to be more than was shown.
  const standing = (percent: number) => Math.max(percent, Math.min(level[level.length - 1], percent + 0.5))
  put(t[0], watched[0] ? v[0] : v[0] + 0.5)
  for (let i = 1; i < t.length; i++) {
    if (v[i] === v[i - 1] && isLog) continue
    // What fell at once had stood until then.
    if (isLog && v[i - 1] - v[i] > 1) put(t[i - 1], standing(v[i - 1]))
    const bracket = bracketBefore(shown, i)
    if (v[i] > v[i - 1] && (isLog || bracket.saturates)) {
      const share = shareOf(bracket, v[i])
      put(bracket.fromS + share * (bracket.toS - bracket.fromS), v[i])
      if (bracket.saturates && !isLog) put(t[i], 100)
    } else put(t[i], bracket.toLevel)
  }
  const last = t.length - 1
  if (isLog && t[last] > at[at.length - 1]) put(t[last], standing(v[last]))
  return { t: Float64Array.from(at), v: Float64Array.from(level) }
}
