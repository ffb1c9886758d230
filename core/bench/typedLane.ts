import { boolean, object, type Schema } from 'yup'
import { startLevelSchema } from '../protocol/entry'
import { noConditions, type RunConditions } from '../protocol/runConditions'
import { numbersIn, stopOf, wordsIn, type TypedStop } from '../protocol/typedRules'
import type { ReadingRule } from '../protocol/rules'
import { decimal } from '../trace/decimal'
import { placesProblem } from '../trace/places'
import { laneSetupSchema, NO_HEAT, type Feed, type HeatRule, type LaneChoice } from './setup'

/** A lane as a form has it. */
export interface TypedLane extends TypedStop {
  deviceId: string
  sourceId: string
  cableId: string | null
  startPercent: string
  /** Minutes between readings by hand; 'own' is what `ownInterval` says, 'at' the minutes of `atMinutes`. */
  interval: number | 'own' | 'at'
  ownInterval: string
  /** "5, 10, 15, 20, 30" */
  atMinutes: string
  /** When and where temperatures are read; both empty where none are. */
  heatMinutes: string
  heatPlaces: string
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
  })
  .test('heat', ({ heat }, context) => {
    const { minutes, places } = heat as HeatRule
    const wrong = placesProblem(places)
    if (wrong) return context.createError({ path: 'heat.places', message: `The places ${wrong}.` })
    const both = (minutes.length === 0) === (places.length === 0)
    const said = 'Say both at which minutes and where temperatures are read, or neither.'
    return both || context.createError({ path: 'heat.minutes', message: said })
  }) as unknown as Schema<LaneChoice>

/** What the schema is to check. The start level was read from the display as it was typed. */
export function closeLane(typed: TypedLane): Record<string, unknown> {
  return {
    deviceId: typed.deviceId,
    sourceId: typed.sourceId,
    cableId: typed.cableId,
    start: { percent: typed.startPercent, read: true },
    reading: typed.feed.kind === 'hand' ? readingOf(typed) : { kind: 'meter', seconds: 1 },
    stop: stopOf(typed),
    feed: typed.feed,
    planned: null,
    checklist: [],
    heat: { ...NO_HEAT, minutes: numbersIn(typed.heatMinutes), places: wordsIn(typed.heatPlaces) },
    conditions: { ...noConditions(), ...typed.conditions },
  }
}

function readingOf({ interval, ownInterval, atMinutes }: TypedLane): ReadingRule {
  if (interval === 'at') return { kind: 'at', minutes: numbersIn(atMinutes) }
  return { kind: 'every', seconds: (interval === 'own' ? decimal(ownInterval) : interval) * 60 }
}

const FIELDS: Record<string, string> = {
  reading: 'ownInterval',
  stop: 'stopKind',
  'start.percent': 'startPercent',
}
/** The field under which a fault at a path of the schema stands, as the form is now. */
export function laneField(path: string, { interval }: Partial<Pick<TypedLane, 'interval'>> = {}): string {
  if (path === 'reading' && interval === 'at') return 'atMinutes'
  if (path.startsWith('heat.minutes')) return 'heatMinutes'
  if (path.startsWith('heat.places')) return 'heatPlaces'
  return FIELDS[path] ?? (path.startsWith('conditions.') ? path : '')
}
