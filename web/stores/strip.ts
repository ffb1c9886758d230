import { defineStore } from 'pinia'
import { ref } from 'vue'
import { answerTo, checklistFor, type ChecklistItem } from '@core/protocol/checklist'
import type { Campaign } from '@core/plan/campaign'
import * as journal from '../storage/journal'
import { useBench, type LaneChoice } from './bench'
import type { Feed } from './lane'
import { useLogbook } from './logbook'

/** A lane that is rigged and waits for the switch. */
export interface RiggedLane {
  id: string
  choice: LaneChoice
  protocolName: string
  items: ChecklistItem[]
}

export const MOST_LANES = 8

/** The lanes on the strip before power-on, with their checklists. Kept over a reload. */
export const useStrip = defineStore('strip', () => {
  const rigged = ref<RiggedLane[]>([])
  /** The switch has gone on, and the lanes are on their way into storage. */
  const starting = ref(false)
  const logbook = useLogbook()
  const bench = useBench()
  const store = () => journal.saveStrip(JSON.parse(JSON.stringify(rigged.value)) as object[])

  async function load() {
    // What was powered on as the program was killed stands on the bench already.
    const running = new Set(bench.lanes.map((l) => l.setup.planned?.plannedId))
    const stored = await journal.loadStrip<RiggedLane>()
    rigged.value = stored.filter((r) => !r.choice.planned || !running.has(r.choice.planned.plannedId))
  }

  async function add(lane: Omit<RiggedLane, 'id'>) {
    if (bench.lanes.length + rigged.value.length >= MOST_LANES)
      throw new Error(`The strip has ${MOST_LANES} lanes, and all are taken. Stop or take off one first.`)
    rigged.value.push({ ...lane, id: crypto.randomUUID() })
    await store()
  }

  /** Rigs a planned run by the campaign's protocol. */
  async function rig(campaign: Campaign, plannedId: string) {
    const planned = campaign.planned.find((p) => p.id === plannedId)!
    const here = (p: LaneChoice['planned']) => p?.plannedId === plannedId
    if (rigged.value.some((r) => here(r.choice.planned)) || bench.lanes.some((l) => here(l.setup.planned)))
      return
    const { protocol } = campaign
    await add({
      choice: {
        deviceId: planned.deviceId,
        sourceId: planned.sourceId,
        cableId: planned.cableId,
        startPercent: protocol.startPercent,
        reading: protocol.reading,
        stop: protocol.stop,
        feed: { kind: 'hand' },
        planned: { campaignId: campaign.id, plannedId },
        checklist: [],
        heat: {
          minutes: protocol.temperatureMinutes,
          places: protocol.temperaturePlaces,
          stopLimitC: protocol.stopLimitC,
        },
      },
      protocolName: protocol.name,
      items: checklistFor(protocol, logbook.cable(planned.cableId)?.name ?? null),
    })
  }

  /** Answers or skips one item; `undefined` takes the answer back. A start level answered here is the run's. */
  async function answer(
    lane: RiggedLane,
    item: ChecklistItem,
    given?: 'done' | 'skipped',
    value: number | null = null,
  ) {
    const others = lane.choice.checklist.filter((a) => a.id !== item.id)
    lane.choice.checklist = given
      ? [...others, answerTo(item, given, value, new Date().toISOString())]
      : others
    if (item.id === 'start-level' && given === 'done' && value !== null) lane.choice.startPercent = value
    await store()
  }

  async function setFeed(lane: RiggedLane, feed: Feed) {
    lane.choice.feed = feed
    if (feed.kind !== 'hand') lane.choice.reading = { kind: 'meter', seconds: 1 }
    await store()
  }

  const openItems = (lane: RiggedLane): ChecklistItem[] =>
    lane.items.filter((i) => !lane.choice.checklist.some((a) => a.id === i.id))

  async function takeOff(id: string) {
    rigged.value = rigged.value.filter((r) => r.id !== id)
    await store()
  }

  /** The switch: every rigged lane starts at once. What was not answered is on record as skipped. */
  async function powerOn() {
    const when = new Date().toISOString()
    const choices = rigged.value.map((lane): LaneChoice => {
      const skipped = openItems(lane).map((item) => answerTo(item, 'skipped', null, when))
      const choice = JSON.parse(JSON.stringify(lane.choice)) as LaneChoice
      return { ...choice, checklist: [...choice.checklist, ...skipped] }
    })
    starting.value = true
    try {
      await bench.startTogether(choices)
      rigged.value = []
      await store()
    } finally {
      starting.value = false
    }
  }
  return { rigged, starting, load, add, rig, answer, setFeed, openItems, takeOff, powerOn }
})
