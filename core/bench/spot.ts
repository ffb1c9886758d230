import { LONGEST_SPOT_S } from '../analysis/spot'
import { decimal } from '../trace/decimal'
import type { StopRule } from '../protocol/rules'
import type { Reading } from '../trace/trace'
import type { LaneState } from './state'
import { closeLane, laneChoiceSchema, laneField, type TypedLane } from './typedLane'

/** As the trade does it, min. */
export const USUAL_SPOT_MINUTES = '5'
const SHORTEST_S = 60
const HALF_PERCENT = 50

/** A spot check as a form has it: the meter's count after some minutes, from below half. */
export type TypedSpot = Pick<
  TypedLane,
  'deviceId' | 'sourceId' | 'cableId' | 'startPercent' | 'feed' | 'conditions'
> & { minutes: string }

/** Whether what was set up is a spot check: a time that short is no run to full. */
export const isSpot = ({ stop }: { stop: StopRule }): boolean =>
  stop.kind === 'duration' && stop.seconds <= LONGEST_SPOT_S

/** A lane's setup that is one: some minutes, from below half, where the watts still hold. */
export const spotSchema = laneChoiceSchema
  .test('short', ({ stop }, context) =>
    isSpot({ stop }) && stop.kind === 'duration' && stop.seconds >= SHORTEST_S
      ? true
      : context.createError({
          path: 'stop.seconds',
          message: `Between ${SHORTEST_S / 60} and ${LONGEST_SPOT_S / 60} minutes.`,
        }),
  )
  .test('low', ({ start }, context) =>
    start.percent <= HALF_PERCENT
      ? true
      : context.createError({
          path: 'start.percent',
          message: `A spot check holds below half only: start at ${HALF_PERCENT} % or less.`,
        }),
  )

/** What the schema is to check. By hand the count is read once, at the end; instruments are read all along. */
export function closeSpot(typed: TypedSpot): Record<string, unknown> {
  const minutes = decimal(typed.minutes)
  return closeLane({
    ...typed,
    interval: 'at',
    atMinutes: String(minutes),
    ownInterval: '',
    heatMinutes: '',
    heatPlaces: '',
    stopKind: 'duration',
    stopPercent: '',
    stopMinutes: String(minutes),
  })
}

/** The field under which a fault at a path of the schema stands. */
export const spotField = (path: string): string =>
  /^(reading|stop)/.test(path) ? 'minutes' : laneField(path)

/** The meter's count that was noted last, Wh, and when, s; undefined where none was. */
export function lastCount({ readings }: Pick<LaneState, 'readings'>): { t: number; counterWh: number } | undefined {
  let found: { t: number; counterWh: number } | undefined
  for (const { t, counterWh } of readings as Iterable<Reading>) if (counterWh !== undefined) found = { t, counterWh }
  return found
} // prettier-ignore
