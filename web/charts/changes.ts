import { lengthOf, type PathChartOptions } from './options'

const SAME_LENGTH = 1e-6
/** Points may be others after a move: they are had anew for where the view is now. */
const MAY_MOVE: readonly (keyof PathChartOptions)[] = ['from', 'until', 'paths']

/** What of a chart is not as it was before. */
export const whatChanged = (before: PathChartOptions, now: PathChartOptions): (keyof PathChartOptions)[] =>
  (Object.keys({ ...before, ...now }) as (keyof PathChartOptions)[]).filter((key) => before[key] !== now[key])

/** Whether nothing changed but where the view stands: as long as before, on the same clock. */
export function isMove(before: PathChartOptions, now: PathChartOptions): boolean {
  const changed = whatChanged(before, now)
  const [was, is] = [before, now].map((o) => lengthOf(o) - (o.from ?? 0))
  return (
    changed.includes('from') &&
    changed.every((key) => MAY_MOVE.includes(key)) &&
    Math.abs(is / was - 1) < SAME_LENGTH
  )
}
