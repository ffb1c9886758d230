import { maxIndex } from 'd3-array'
import type { Analysis } from '../analysis/analyse'

/**
 * Which of the repeats of a set-up stands for them all in a picture: the first that came farthest, by its place in the
 * list; -1 in an empty one. What is said of a set-up is said of those that got there.
 *
 * @example farthest([{ milestones: [], endPercent: 61 }, { milestones: [], endPercent: 80 }]) // 1
 */
export function farthest(runs: readonly Pick<Analysis, 'milestones' | 'endPercent'>[]): number {
  const reach = runs.map(({ milestones, endPercent }) =>
    milestones.some((m) => m.percent === 100 && !m.reason) ? Infinity : endPercent,
  )
  return reach.length === 0 ? -1 : Math.max(0, maxIndex(reach))
}
