import type { ChecklistAnswer, ChecklistItem } from '../protocol/checklist'
import { answered, openItems, type RiggedLane } from './strip'

/** What belongs to each device alone, whatever the lanes have in common. */
const EACH = new Set(['start-level', 'rest'])

/**
 * Items that all lanes of a strip have alike, in the order of the first: what holds for all is ticked once. Items of the
 * device itself (its level, its rest) stay with their lane, and so does what is worded for one lane, like its cable.
 * Empty for fewer than two lanes.
 */
export function sharedItems(lanes: readonly RiggedLane[]): ChecklistItem[] {
  const [first, ...others] = lanes
  if (others.length === 0) return []
  const alike = (item: ChecklistItem) => (lane: RiggedLane) =>
    lane.items.some((i) => i.id === item.id && i.text === item.text)
  return first.items.filter((item) => !EACH.has(item.id) && others.every(alike(item)))
}

/** What is left to a lane itself. */
export function ownItems(lane: RiggedLane, lanes: readonly RiggedLane[]): ChecklistItem[] {
  const shared = new Set(sharedItems(lanes).map((i) => i.id))
  return lane.items.filter((i) => !shared.has(i.id))
}

/** The answer that all lanes gave to an item; undefined where one gave none, or they differ. */
export function commonAnswer(item: ChecklistItem, lanes: readonly RiggedLane[]): ChecklistAnswer | undefined {
  const answers = lanes.map((lane) => lane.choice.checklist.find((a) => a.id === item.id))
  const [first] = answers
  const same = answers.every((a) => a?.answer === first?.answer && a?.value === first?.value)
  return same ? first : undefined
}

/** All lanes with an item answered, skipped, or its answer taken back. Each keeps the answer as its own. */
export const answeredForAll = (
  lanes: readonly RiggedLane[],
  item: ChecklistItem,
  given: 'done' | 'skipped' | undefined,
  value: number | null,
  when: string,
): RiggedLane[] =>
  lanes.map((lane) => {
    // By the lane's own item: its span may be another.
    const own = lane.items.find((i) => i.id === item.id)
    return own ? answered(lane, own, given, value, when) : lane
  })

/** The lane with everything done that a tick is enough for; what asks for a figure stays open. */
export const allDone = (lane: RiggedLane, when: string): RiggedLane =>
  openItems(lane)
    .filter((item) => item.asks === undefined)
    .reduce((done, item) => answered(done, item, 'done', null, when), lane)
