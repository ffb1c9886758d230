import { defineStore } from 'pinia'
import { ref } from 'vue'
import {
  answered,
  choiceAtPowerOn,
  fedBy,
  MOST_LANES,
  openItems,
  rigByProtocol,
  type RiggedLane,
} from '@core/bench/strip'
import { allDone, answeredForAll } from '@core/bench/shared'
import { gearIdsOf, type Feed } from '@core/bench/setup'
import type { ChecklistItem } from '@core/protocol/checklist'
import type { Campaign } from '@core/plan/campaign'
import { keptStrip } from '../storage/benchLists'
import { useBench } from './bench'
import { useLogbook } from './logbook'

/** The lanes on the strip before power-on, with their checklists. Kept over a reload. */
export const useStrip = defineStore('strip', () => {
  const rigged = ref<RiggedLane[]>([])
  /** The switch has gone on, and the lanes are on their way into storage. */
  const starting = ref(false)
  const logbook = useLogbook()
  const bench = useBench()

  /** What was powered on as the program was killed stands on the bench already. */
  function standing(lanes: RiggedLane[]): RiggedLane[] {
    const running = new Set(bench.lanes.map((l) => l.setup.planned?.plannedId))
    return lanes.filter((r) => !r.choice.planned || !running.has(r.choice.planned.plannedId))
  }
  const load = async () => void (rigged.value = standing(await keptStrip.load()))
  /** Stored first, then shown. Of two quick answers, or two tabs, neither is written over by the other. */
  const set = async (next: (now: RiggedLane[]) => RiggedLane[]): Promise<void> =>
    void (rigged.value = await keptStrip.change((now) => next(standing(now))))
  keptStrip.onChanged(() => void load().catch(() => undefined))

  async function add(lane: Omit<RiggedLane, 'id'>) {
    await set((now) => {
      if (bench.lanes.length + now.length >= MOST_LANES)
        throw new Error(`The strip has ${MOST_LANES} lanes, and all are taken. Stop or take off one first.`)
      // Two presses, or two tabs, carry a planned run once.
      const planned = lane.choice.planned?.plannedId
      if (planned !== undefined && now.some((r) => r.choice.planned?.plannedId === planned)) return now
      return [...now, { ...lane, id: crypto.randomUUID() }]
    })
  }

  /** Rigs a planned run by the campaign's protocol. */
  async function rig(campaign: Campaign, plannedId: string) {
    const planned = campaign.planned.find((p) => p.id === plannedId)!
    if (bench.lanes.some((l) => l.setup.planned?.plannedId === plannedId)) return
    const { deviceId, sourceId, cableId } = planned
    const place = { campaignId: campaign.id, plannedId }
    const cable = logbook.cable(cableId)?.name ?? null
    const lane = { deviceId, sourceId, cableId, planned: place }
    // What the plan reckoned with: the source as it usually is.
    const fedFromId = logbook.source(sourceId)?.fedFromId ?? null
    await add(rigByProtocol(lane, campaign.protocol, cable, fedFromId))
  }

  /** Changes a lane as it stands: a card may hold the one before its last answer. */
  const change = ({ id }: RiggedLane, how: (lane: RiggedLane) => RiggedLane) =>
    set((now) => now.map((r) => (r.id === id ? how(r) : r)))

  /** Answers or skips one item; `undefined` takes the answer back. A start level answered here was read. */
  const answer = (
    lane: RiggedLane,
    item: ChecklistItem,
    given?: 'done' | 'skipped',
    value: number | null = null,
  ) => change(lane, (now) => answered(now, item, given, value, new Date().toISOString()))

  /** What holds for all lanes is answered once. */
  const answerAll = (item: ChecklistItem, given?: 'done' | 'skipped', value: number | null = null) =>
    set((now) => answeredForAll(now, item, given, value, new Date().toISOString()))
  /** Everything that a tick is enough for. */
  const tickAll = () => set((now) => now.map((lane) => allDone(lane, new Date().toISOString())))

  const setFeed = (lane: RiggedLane, feed: Feed) => change(lane, (now) => fedBy(now, feed))
  const takeOff = (id: string) => set((now) => now.filter((r) => r.id !== id))

  /** The switch: every rigged lane starts at once. What was not answered is on record as skipped. */
  async function powerOn() {
    const when = new Date().toISOString()
    const started = new Set(rigged.value.map((r) => r.id))
    const choices = rigged.value.map((lane) =>
      choiceAtPowerOn(JSON.parse(JSON.stringify(lane)) as RiggedLane, when),
    )
    starting.value = true
    try {
      await bench.startTogether(choices)
      await set((now) => now.filter((r) => !started.has(r.id)))
    } finally {
      starting.value = false
    }
  }
  /** What waits on the strip uses of the shelf. */
  const uses = (id: string): boolean => rigged.value.some(({ choice }) => gearIdsOf(choice).includes(id))

  return {
    rigged,
    starting,
    uses,
    load,
    add,
    rig,
    answer,
    answerAll,
    tickAll,
    setFeed,
    openItems,
    takeOff,
    powerOn,
  }
})
