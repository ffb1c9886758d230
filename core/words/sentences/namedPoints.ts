import type { Analysis } from '../../analysis/analyse'
import { duration, figure } from '../figures'
import type { PageCall } from '../page'

/** Levels that are called out on a path. */
const CALLED_PERCENTS = [50, 80]

/** The watts at a moment of the picture's clock, s; NaN where they were not read. */
export type WattsAt = (seconds: number) => number

/** Half and 80 % on a path of levels: the minute, and the watts drawn then where they are known. */
export function levelCalls({ milestones }: Pick<Analysis, 'milestones'>, wattsAt: WattsAt): PageCall[] {
  return milestones
    .filter(({ percent, reason }) => CALLED_PERCENTS.includes(percent) && reason === undefined)
    .map(({ percent, timeS }) => {
      const watts = wattsAt(timeS)
      const drawn = Number.isNaN(watts) ? '' : figure(watts, 1, 'W')
      return { x: timeS, y: percent, at: minutes(timeS), said: drawn }
    })
}

/**
 * Where each hold of a path of watts ends and the next part begins; its held peak where it has no holds.
 *
 * @param shiftS what is taken off the run's clock, s
 */
export function powerCalls(
  { parts, power }: Pick<Analysis, 'parts' | 'power'>,
  wattsAt: WattsAt,
  shiftS = 0,
): PageCall[] {
  const holds = parts.filter(({ kind }) => kind === 'hold')
  const moments =
    holds.length > 0
      ? holds.map(({ levelS, endS }) => lastOfHold(levelS - shiftS, endS - shiftS, wattsAt))
      : [power.heldPeakAtS - shiftS]
  return moments.flatMap((x) => {
    const y = wattsAt(x)
    return Number.isNaN(y) || x < 0 ? [] : [{ x, y, at: minutes(x), said: figure(y, 1, 'W') }]
  })
}

/** A hold's end is known to a smoothing's width; watts before it, s, tell whether the step had begun. */
const BEFORE_S = 60
const BACK_S = 5
const SAME_SHARE = 0.05

/** The last moment of a hold at which its watts were still there. */
function lastOfHold(fromS: number, endS: number, wattsAt: WattsAt): number {
  const [first, held] = [Math.max(fromS, endS - BEFORE_S), wattsAt(Math.max(fromS, endS - BEFORE_S))]
  for (let at = endS; at > first; at -= BACK_S)
    if (Math.abs(wattsAt(at) - held) <= SAME_SHARE * Math.abs(held)) return at
  return first
}

const minutes = (seconds: number): string => duration(60 * Math.round(seconds / 60))
