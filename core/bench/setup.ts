import { array, boolean, lazy, mixed, number, object, string, type ObjectSchema } from 'yup'
import type { Cable, Device, Meter, Source } from '../gear/gear'
import { cableSchema, deviceSchema, meterSchema, sourceSchema } from '../gear/schema'
import type { ChecklistAnswer } from '../protocol/checklist'
import { DEFAULT_STOP_LIMIT_C } from '../protocol/protocol'
import type { ReadingRule, StopRule } from '../protocol/rules'
import { runConditionsSchema, type RunConditions } from '../protocol/runConditions'
import { checklistAnswerSchema, readingRuleSchema, stopRuleSchema } from '../protocol/schema'
import { bounded, id, optionalId } from '../trace/fields'

/** When and where temperatures are read, and at which one the bench says stop. Minutes, °C. */
export interface HeatRule {
  minutes: number[]
  places: string[]
  stopLimitC: number
}
/** No temperatures are asked for; the usual limit still holds for those that come by themselves. */
export const NO_HEAT: HeatRule = { minutes: [], places: [], stopLimitC: DEFAULT_STOP_LIMIT_C }

/** The rule for temperatures that a protocol has, or a form of its rules. */
export const heatRuleOf = (of: { temperatureMinutes: number[]; temperaturePlaces: string[]; stopLimitC: number }): HeatRule => ({
  minutes: of.temperatureMinutes,
  places: of.temperaturePlaces,
  stopLimitC: of.stopLimitC,
}) // prettier-ignore

/** Where a lane's readings come from. */
export type Feed =
  | { kind: 'hand' }
  | { kind: 'simulated'; seed: number; speed: number }
  /** Instruments of the meter bridge, by id; `simulated` when one of them is. */
  | { kind: 'instruments'; ids: string[]; simulated: boolean }
  /** The battery of the device this page is open on. */
  | { kind: 'own-battery' }

/** The level a lane starts from, in percent: read from the display, or only planned. */
export interface StartLevel {
  percent: number
  read: boolean
}

/** The gear as it was at power-on, so that a run can be kept whatever happens to the shelf meanwhile. */
export interface LaneGear {
  device: Device
  source: Source
  /** What stands before the source, from the wall on; empty where it stands alone. */
  before: Source[]
  cable: Cable | null
  /** What it is measured with. */
  meters: Meter[]
}

/** What a lane is started with; stored with the session, so that a reload can come back to it. */
export interface LaneSetup {
  runId: string
  deviceId: string
  sourceId: string
  cableId: string | null
  /** Null only for lanes that an earlier version started. */
  gear: LaneGear | null
  ink: number
  start: StartLevel
  reading: ReadingRule
  stop: StopRule
  /** The place in a campaign this run is made for. */
  planned: { campaignId: string; plannedId: string } | null
  checklist: ChecklistAnswer[]
  heat: HeatRule
  /** What is known of it beside its gear: the run adds what the gear and the checklist say. */
  conditions: RunConditions
  feed: Feed
  /** Wall clock at power-on, ms since 1970, as this machine told it then. */
  startedAtMs: number
}

/** What a lane is started with; its run, ink, gear and moment are the bench's to give. */
export type LaneChoice = Omit<LaneSetup, 'runId' | 'ink' | 'startedAtMs' | 'gear'>

/** What of the shelf a lane needs, by id. */
export const gearIdsOf = ({ deviceId, sourceId, cableId, conditions }: LaneChoice): (string | null)[] => [
  deviceId,
  sourceId,
  cableId,
  conditions.fedFromId,
  conditions.meterId,
  conditions.thermometerId,
]

/** True where a reviewer types the readings. */
export const isByHand = ({ feed }: Pick<LaneSetup, 'feed'>): boolean => feed.kind === 'hand'
/** True where any reading of the lane may be made up: it then says so wherever it is shown. */
export const isSimulatedFeed = ({ feed }: Pick<LaneSetup, 'feed'>): boolean =>
  feed.kind === 'simulated' || (feed.kind === 'instruments' && feed.simulated)
/** How many seconds pass on the lane's clock in one of ours. */
export const speedOf = ({ feed }: Pick<LaneSetup, 'feed'>): number =>
  feed.kind === 'simulated' ? feed.speed : 1

const FASTEST = 3600

const feedSchema = lazy((given: unknown) => {
  const kind = mixed<Feed['kind']>().oneOf(['hand', 'simulated', 'instruments', 'own-battery']).required()
  switch ((given as Feed | null)?.kind) {
    case 'simulated':
      return object({ kind, seed: number().required(), speed: bounded(0.1, FASTEST) })
    case 'instruments':
      return object({
        kind,
        ids: array(id()).defined().max(16),
        simulated: boolean().defined().default(false),
      })
    default:
      return object({ kind })
  }
})

const gearSchema = object({
  device: deviceSchema,
  source: sourceSchema,
  before: array(sourceSchema).defined().default([]).max(8),
  cable: cableSchema.nullable().default(null),
  meters: array(meterSchema).defined().default([]).max(2),
})

/** A heat rule as stored. */
export const heatRuleSchema: ObjectSchema<HeatRule> = object({
  minutes: array(bounded(0, 1440)).defined().max(200),
  places: array(string().required().max(40)).defined().max(24),
  stopLimitC: bounded(20, 60),
})

/** A lane's setup as stored. */
export const laneSetupSchema = object({
  runId: id(),
  deviceId: id(),
  sourceId: id(),
  cableId: optionalId(),
  gear: gearSchema.nullable().default(null),
  ink: bounded(0, 1000),
  start: object({ percent: bounded(0, 100), read: boolean().required() }),
  reading: readingRuleSchema,
  stop: stopRuleSchema,
  planned: object({ campaignId: id(), plannedId: id() }).nullable().defined().default(null),
  checklist: array(checklistAnswerSchema).defined().default([]).max(200),
  heat: heatRuleSchema,
  conditions: runConditionsSchema,
  feed: feedSchema,
  startedAtMs: bounded(0, 1e14),
}) as unknown as ObjectSchema<LaneSetup>
