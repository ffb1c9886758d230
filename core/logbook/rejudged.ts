import { endedBy } from '../bench/ended'
import type { StopRule } from '../protocol/rules'
import type { Trace } from '../trace/trace'
import type { Run, RunWithTrace } from './run'

/**
 * A run after something was put right in its readings or its stop rule: done where it now met the rule, short where it now
 * did not. A run that was not what its readings made of it before, since the reviewer said otherwise, stays as it is.
 */
export function rejudged(before: RunWithTrace, { run, trace }: RunWithTrace): Run {
  const was = endedBy(before.run.stop, before.trace)
  if (run.state !== was.state) return run
  const now = endedBy(run.stop, trace)
  return now.state === was.state ? run : { ...run, ...now }
}

/**
 * What becomes of a run that is to fill a place of a plan: one without a rule of its own takes the plan's, and one that did
 * not come as far as that is short, and leaves the place open.
 */
export function heldToPlan(run: Run, trace: Trace, rule: StopRule): Partial<Run> {
  const own = run.stop.kind === 'open' ? { stop: rule } : {}
  const isSame = JSON.stringify(run.stop) === JSON.stringify(rule)
  return run.state === 'done' && !isSame ? { ...own, ...endedBy(rule, trace) } : own
}
