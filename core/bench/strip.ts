import { array, mixed, object, string, type ObjectSchema } from 'yup'
import type { Protocol } from '../protocol/protocol'
import { noConditions, protocolConditions } from '../protocol/runConditions'
import { answerTo, checklistFor, type ChecklistItem } from '../protocol/checklist'
import { bounded, id } from '../trace/fields'
import { heatRuleOf, laneSetupSchema, type Feed, type LaneChoice } from './setup'

/** A lane that is rigged on the power strip and waits for the switch. */
export interface RiggedLane {
  id: string
  choice: LaneChoice
  protocolName: string
  /** The level the protocol asks for; the choice carries the one that was read, once it was. */
  plannedPercent: number
  items: ChecklistItem[]
}

/** Lanes that the bench has room for. */
export const MOST_LANES = 8
const START_LEVEL = 'start-level'

interface PlannedLane {
  deviceId: string
  sourceId: string
  cableId: string | null
  planned: { campaignId: string; plannedId: string }
}

/** A planned run as it is rigged by its protocol. Its start level is planned, not read, until somebody reads it. */
export function rigByProtocol(
  lane: PlannedLane,
  protocol: Protocol,
  cableName: string | null,
  fedFromId: string | null = null,
): Omit<RiggedLane, 'id'> {
  const { startPercent, reading, stop } = protocol
  return {
    choice: {
      ...lane,
      start: { percent: startPercent, read: false },
      reading,
      stop,
      feed: { kind: 'hand' },
      checklist: [],
      heat: heatRuleOf(protocol),
      conditions: { ...noConditions(), ...protocolConditions(protocol), fedFromId },
    },
    protocolName: protocol.name,
    plannedPercent: startPercent,
    items: checklistFor(protocol, cableName),
  }
}

/** The lane with one item answered or skipped; `undefined` takes the answer back. Percent, °C. */
export function answered(
  lane: RiggedLane,
  item: ChecklistItem,
  given: 'done' | 'skipped' | undefined,
  value: number | null,
  when: string,
): RiggedLane {
  const others = lane.choice.checklist.filter((a) => a.id !== item.id)
  const checklist = given ? [...others, answerTo(item, given, value, when)] : others
  const start =
    item.id !== START_LEVEL
      ? lane.choice.start
      : given === 'done' && value !== null
        ? { percent: value, read: true }
        : { percent: lane.plannedPercent, read: false }
  return { ...lane, choice: { ...lane.choice, checklist, start } }
}

/** The lane with its readings from elsewhere. */
export const fedBy = (lane: RiggedLane, feed: Feed): RiggedLane => ({
  ...lane,
  choice: {
    ...lane.choice,
    feed,
    reading: feed.kind === 'hand' ? lane.choice.reading : { kind: 'meter', seconds: 1 },
  },
})

/** Items of its checklist that nobody answered yet. */
export const openItems = (lane: RiggedLane): ChecklistItem[] =>
  lane.items.filter((i) => !lane.choice.checklist.some((a) => a.id === i.id))

/** What a lane starts with as the switch goes on: what nobody answered is on record as skipped. */
export function choiceAtPowerOn(lane: RiggedLane, when: string): LaneChoice {
  const skipped = openItems(lane).map((item) => answerTo(item, 'skipped', null, when))
  return { ...lane.choice, checklist: [...lane.choice.checklist, ...skipped] }
}

const itemSchema = mixed<ChecklistItem>((v): v is ChecklistItem => {
  const item = v as ChecklistItem | null
  return typeof item === 'object' && typeof item?.id === 'string' && typeof item.text === 'string'
}).required()

/** A rigged lane as stored. */
export const riggedSchema = object({
  id: id(),
  choice: laneSetupSchema.omit(['runId', 'gear', 'ink', 'startedAtMs']),
  protocolName: string().defined().default(''),
  plannedPercent: bounded(0, 100),
  items: array(itemSchema).defined().max(200),
}) as unknown as ObjectSchema<RiggedLane>
