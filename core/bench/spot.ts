import { object, type Schema } from 'yup'
import { LONGEST_SPOT_S } from '../analysis/spot'
import { decimal } from '../trace/decimal'
import type { StopRule } from '../protocol/rules'
import { channel } from '../trace/channels'
import { typedNumber } from '../trace/typedNumber'
import type { LaneChoice, LaneSetup } from './setup'
import { closeLane, laneChoiceSchema, laneField, type TypedLane } from './typedLane'

/** As the trade does it, min. */
export const USUAL_SPOT_MINUTES = '5'
const SHORTEST_S = 60
const HALF_PERCENT = 50

/** A spot check as a form has it: the meter's count after some minutes, from below half. */
export type TypedSpot = Pick<
  TypedLane,
  'deviceId' | 'sourceId' | 'cableId' | 'startPercent' | 'feed' | 'conditions'
> & {
  minutes: string
  /** Wh that the meter shows as power comes on; empty where it was set to nothing. */
  countAtStart: string
}
/** What a form comes to: the lane, and the count that is noted as it starts. */
export interface SpotChoice {
  lane: LaneChoice
  countAtStart?: number
}

/** Whether what was set up is a spot check: a time that short is no run to full. */
export const isSpot = ({ stop }: { stop: StopRule }): boolean =>
  stop.kind === 'duration' && stop.seconds <= LONGEST_SPOT_S

/** Seconds left of it, 0 once its time is up; NaN for a lane that has no time to its stop. */
export const leftOf = ({ stop }: Pick<LaneSetup, 'stop'>, elapsedS: number): number =>
  stop.kind === 'duration' ? Math.max(0, stop.seconds - elapsedS) : NaN

/** A lane's setup that is one: some minutes, from below half, where the watts still hold. */
const spotLaneSchema = laneChoiceSchema
  .test('short', ({ stop }, context) =>
    isSpot({ stop }) && stop.kind === 'duration' && stop.seconds >= SHORTEST_S
      ? true
      : context.createError({
          path: 'stop.seconds',
          message: `Between ${SHORTEST_S / 60} and ${LONGEST_SPOT_S / 60} minutes.`,
        }),
  )
  .test('low', ({ start }, context) =>
    // What is no level at all is named by the level's own rule.
    start.percent > HALF_PERCENT
      ? context.createError({
          path: 'start.percent',
          message: `A spot check holds below half only: start at ${HALF_PERCENT} % or less.`,
        })
      : true,
  )
export const spotSchema = object({
  lane: spotLaneSchema,
  countAtStart: typedNumber('The count at the start', ...channel('counterWh').bounds, ' Wh'),
}) as unknown as Schema<SpotChoice>

/** What the schema is to check. By hand the count is read once, at the end; instruments are read all along. */
export function closeSpot({ countAtStart, ...typed }: TypedSpot): Record<'lane' | 'countAtStart', unknown> {
  const minutes = decimal(typed.minutes)
  const lane = closeLane({
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
  return { lane, countAtStart }
}

/** The field under which a fault at a path of the schema stands. */
export function spotField(path: string): string {
  if (path === 'countAtStart') return path
  const own = path.replace(/^lane\.?/, '')
  return /^(reading|stop)/.test(own) ? 'minutes' : laneField(own)
}
