import { boolean, object, type Schema } from 'yup'
import { startLevelSchema } from '../protocol/entry'
import { noConditions, type RunConditions } from '../protocol/runConditions'
import { stopOf, type TypedStop } from '../protocol/typedRules'
import { decimal } from '../trace/decimal'
import { laneSetupSchema, NO_HEAT, type Feed, type LaneChoice } from './setup'

/** A lane as a form has it. */
export interface TypedLane extends TypedStop {
  deviceId: string
  sourceId: string
  cableId: string | null
  startPercent: string
  /** Minutes between readings by hand; 'own' is what `ownInterval` says. */
  interval: number | 'own'
  ownInterval: string
  feed: Feed
  /** What is typed or chosen of the conditions. */
  conditions: TypedConditions
}

/** Numbers as they were typed. */
export type TypedConditions = Pick<
  RunConditions,
  'deviceState' | 'meterId' | 'thermometerId' | 'fedFromId'
> & {
  ambientC: string
  restMinutes: string
}

/** What is asked before the clock starts: a lane's setup without what the bench gives it. */
export const laneChoiceSchema = laneSetupSchema
  .omit(['runId', 'gear', 'ink', 'startedAtMs'])
  .shape({ start: object({ percent: startLevelSchema, read: boolean().required() }) })
  .test('heard', 'Choose at least one instrument, or read by hand.', ({ feed }) => {
    const chosen = feed as Feed
    return chosen.kind !== 'instruments' || chosen.ids.length > 0
  }) as unknown as Schema<LaneChoice>

/** What the schema is to check. The start level was read from the display as it was typed. */
export function closeLane(typed: TypedLane): Record<string, unknown> {
  const minutes = typed.interval === 'own' ? decimal(typed.ownInterval) : typed.interval
  return {
    deviceId: typed.deviceId,
    sourceId: typed.sourceId,
    cableId: typed.cableId,
    start: { percent: typed.startPercent, read: true },
    reading:
      typed.feed.kind === 'hand' ? { kind: 'every', seconds: minutes * 60 } : { kind: 'meter', seconds: 1 },
    stop: stopOf(typed),
    feed: typed.feed,
    planned: null,
    checklist: [],
    heat: NO_HEAT,
    conditions: { ...noConditions(), ...typed.conditions },
  }
}

const FIELDS: Record<string, string> = {
  reading: 'ownInterval',
  stop: 'stopKind',
  'start.percent': 'startPercent',
}
/** The field under which a fault at a path of the schema stands. */
export const laneField = (path: string): string =>
  FIELDS[path] ?? (path.startsWith('conditions.') ? path : '')
