import { AT_START_S } from '../analysis/counter'
import type { LaneState } from './state'

/** A meter's running total as it was noted on a lane: Wh, and when, s. */
export interface NotedCount {
  t: number
  counterWh: number
}

function* countsOf({ readings }: Pick<LaneState, 'readings'>): Generator<NotedCount> {
  for (const { t, counterWh } of readings) if (counterWh !== undefined) yield { t, counterWh }
}

/** What the count stood at as power came on, Wh; 0 where nobody read it, as a meter that is set to nothing has it. */
export function countAtStart(lane: Pick<LaneState, 'readings'>): number {
  const first = countsOf(lane).next()
  return !first.done && first.value.t <= AT_START_S ? first.value.counterWh : 0
}

/** The count that was noted last since then; undefined where none was. */
export const lastCount = (lane: Pick<LaneState, 'readings'>): NotedCount | undefined =>
  [...countsOf(lane)].findLast(({ t }) => t > AT_START_S)
