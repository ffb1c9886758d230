import type { StopRule } from '../protocol/rules'
import type { LaneState } from './state'

/** Whether the stop rule is met, in words to offer the stop with; null while it is not. Costs little: asked often. */
export function stopReached(rule: StopRule, state: LaneState, elapsedS: number): string | null {
  switch (rule.kind) {
    case 'open':
      return null
    case 'duration':
      return elapsedS >= rule.seconds ? 'The time set for this run has passed.' : null
    case 'level':
      return state.levels.firstAt(rule.percent) !== null ? `It shows ${rule.percent} %.` : null
    case 'shown-full':
      return state.levels.firstAt(100) !== null ? 'The display shows 100 %.' : null
    case 'taper-end':
      return Number.isNaN(state.taper.endedAt) ? null : 'The current has all but stopped.'
  }
}
