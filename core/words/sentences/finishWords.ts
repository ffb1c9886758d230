import type { Analysis } from '../../analysis/analyse'
import { duration, figure } from '../figures'

/**
 * What stands beside a run's name where its path ends: its time to full, or the level its display showed last, which is
 * half a point below what the path is worked out to.
 * @example finishWords({ milestones: [], endPercent: 71 }) // 'stopped at 71 %'
 */
export function finishWords({ milestones, endPercent }: Pick<Analysis, 'milestones' | 'endPercent'>): string {
  const full = milestones.find((m) => m.percent === 100)
  return full && !full.reason ? duration(full.timeS) : `stopped at ${figure(endPercent, 0, '%')}`
}
