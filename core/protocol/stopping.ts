import { power } from '../analysis/power'
import { taperEnd } from '../analysis/taper'
import type { StopRule } from './rules'
import { traceFromReadings, type Reading } from '../trace/trace'

/** Whether the stop rule is met, in words to offer the stop with; null while it is not. */
export function stopReached(rule: StopRule, readings: readonly Reading[], elapsedS: number): string | null {
  switch (rule.kind) {
    case 'open':
      return null
    case 'duration':
      return elapsedS >= rule.seconds ? 'The time set for this run has passed.' : null
    case 'level':
      return shows(readings, rule.percent) ? `It shows ${rule.percent} %.` : null
    case 'shown-full':
      return shows(readings, 100) ? 'The display shows 100 %.' : null
    case 'taper-end': {
      const trace = traceFromReadings(readings)
      const { heldPeakW, heldPeakAtS } = power(trace)
      return Number.isNaN(taperEnd(trace, heldPeakW, heldPeakAtS)) ? null : 'The current has all but stopped.'
    }
  }
}

const shows = (readings: readonly Reading[], percent: number): boolean =>
  readings.some((r) => (r.percent ?? -1) >= percent)

/** The rule in words. */
export function stopInWords(rule: StopRule): string {
  switch (rule.kind) {
    case 'open':
      return 'when I say so'
    case 'duration':
      return `after ${rule.seconds / 60} min`
    case 'level':
      return `at ${rule.percent} %`
    case 'shown-full':
      return 'when the display shows 100 %'
    case 'taper-end':
      return 'when the current has all but stopped'
  }
}

/** The kinds of stop rule, to choose from. */
export const STOP_CHOICES: readonly { value: StopRule['kind']; title: string }[] = [
  { value: 'shown-full', title: stopInWords({ kind: 'shown-full' }) },
  { value: 'taper-end', title: stopInWords({ kind: 'taper-end' }) },
  { value: 'level', title: 'at a level' },
  { value: 'duration', title: 'after a time' },
  { value: 'open', title: stopInWords({ kind: 'open' }) },
]
