import { markRaw, shallowReactive } from 'vue'
import type { SimulatedBench } from '@core/model/instruments'
import type { ChecklistAnswer } from '@core/protocol/checklist'
import { temperatureDue } from '@core/protocol/heat'
import { DEFAULT_STOP_LIMIT_C } from '@core/protocol/protocol'
import type { ReadingRule, StopRule } from '@core/protocol/rules'
import { missedMarks, nextMark, nominalMark } from '@core/protocol/schedule'
import type { Offsets } from '@core/trace/clocks'
import type { Reading, TraceEvent } from '@core/trace/trace'
import { appendLine, type JournalLine } from '../storage/journal'

/** When and where temperatures are read, and at which one the bench says stop, °C. */
export interface HeatRule {
  minutes: number[]
  places: string[]
  stopLimitC: number
}
export const NO_HEAT: HeatRule = { minutes: [], places: [], stopLimitC: DEFAULT_STOP_LIMIT_C }

/** Where a lane's readings come from. */
export type Feed =
  | { kind: 'hand' }
  | { kind: 'simulated'; seed: number; speed: number }
  /** Instruments of the meter bridge, by id; `simulated` when one of them is. */
  | { kind: 'instruments'; ids: string[]; simulated: boolean }
  /** The battery of the device this page is open on. */
  | { kind: 'own-battery' }

/** What a lane was started with; stored with the session, so that a reload can come back to it. */
export interface LaneSetup {
  runId: string
  deviceId: string
  sourceId: string
  cableId: string | null
  ink: number
  startPercent: number
  reading: ReadingRule
  stop: StopRule
  /** The place in a campaign this run is made for. */
  planned: { campaignId: string; plannedId: string } | null
  checklist: ChecklistAnswer[]
  heat: HeatRule
  feed: Feed
  /** Wall clock at power-on, ms since 1970, as this machine told it then. */
  startedAtMs: number
}

/** One run on the bench while it is being read. */
export interface Lane {
  setup: LaneSetup
  /** Readings so far; the array is added to in place, `count` tells when. */
  readings: Reading[]
  events: TraceEvent[]
  count: number
  elapsedS: number
  /** `performance.now()` at power-on: the page's own clock, which nobody can set. */
  startedAtPage: number
  simulated?: SimulatedBench
  /** Stops listening to the lane's instruments. */
  unplug?: () => void
  /** Streams that are lost at the moment, with the reason. */
  lost: Record<string, string>
  /** How far each stream's clock was moved to stand on the lane's, s. */
  offsets: Offsets
  /** The streams were put on one clock by their start of current. */
  aligned: boolean
  /** Lines not yet in storage, in order; empty unless storage refuses. */
  pending: JournalLine[]
  lines: number
  offerStop: string | null
  /** On this lane's clock, when a closing-in rule took up its shorter step; null before. */
  closingInFrom: number | null
}

export function makeLane(setup: LaneSetup, startedAtPage: number, simulated?: SimulatedBench): Lane {
  return shallowReactive<Lane>({
    setup,
    readings: markRaw([]),
    events: markRaw([]),
    count: 0,
    elapsedS: 0,
    startedAtPage,
    simulated: simulated && markRaw(simulated),
    lost: {},
    offsets: {},
    aligned: false,
    pending: markRaw([]),
    lines: 0,
    offerStop: null,
    closingInFrom: null,
  })
}

export const speedOf = ({ setup }: Lane): number => (setup.feed.kind === 'simulated' ? setup.feed.speed : 1)
export const elapsedAt = (lane: Lane, pageNow: number): number =>
  Math.max(0, ((pageNow - lane.startedAtPage) / 1000) * speedOf(lane))
export const isByHand = ({ setup }: Lane): boolean => setup.feed.kind === 'hand'
export const isSimulatedLane = ({ setup: { feed } }: Lane): boolean =>
  feed.kind === 'simulated' || (feed.kind === 'instruments' && feed.simulated)

/** Marks answered so far; power-on counts as the first. */
const answered = (lane: Lane): number[] => [0, ...lane.readings.flatMap((r) => r.nominal ?? [])]
export const lastMark = (lane: Lane): number => answered(lane).reduce((a, b) => Math.max(a, b))
export const dueAt = (lane: Lane): number =>
  nextMark(lane.setup.reading, lane.elapsedS, lastMark(lane), lane.closingInFrom)
export const isDue = (lane: Lane): boolean => isByHand(lane) && dueAt(lane) <= lane.elapsedS
/** Temperatures due now, as the moment of their prompt; null when none are. */
export function heatDueOf(lane: Lane): number | null {
  void lane.count
  const { minutes, places } = lane.setup.heat
  return lane.setup.feed.kind === 'simulated'
    ? null
    : temperatureDue(minutes, places, lane.readings, lane.elapsedS)
}
export const missedOf = (lane: Lane): number[] =>
  missedMarks(lane.setup.reading, lane.elapsedS, answered(lane), lane.closingInFrom)
export const nominalFor = (lane: Lane, t: number): number | undefined =>
  nominalMark(lane.setup.reading, t, lastMark(lane), lane.closingInFrom)

/** Takes a journal line into the lane as it is shown. */
export function apply(lane: Lane, line: JournalLine): void {
  switch (line.kind) {
    case 'readings':
      lane.readings.push(...line.readings)
      break
    case 'event':
      lane.events.push(line.event)
      break
    case 'offsets':
      lane.offsets = line.offsets
      lane.aligned = true
      break
    case 'take-back':
      takeBackLast(lane.readings)
  }
  lane.count++
}

/** Takes back the last reading a hand put in; what an instrument read stays. */
function takeBackLast(readings: Reading[]): void {
  const at = readings.findLastIndex((r) => r.stream === undefined)
  if (at > 0) readings.splice(at, 1)
}

/** Puts a line into memory and into storage, in that order of safety: it is only done when stored. */
export async function record(lane: Lane, line: JournalLine): Promise<void> {
  lane.pending.push(line)
  apply(lane, line)
  await flush(lane)
}

const flushing = new WeakMap<Lane, Promise<void>>()

/** Stores what is not stored yet, oldest first; rejects when the browser refuses, and loses nothing. */
export function flush(lane: Lane): Promise<void> {
  const before = flushing.get(lane) ?? Promise.resolve()
  const mine = before
    .catch(() => undefined)
    .then(async () => {
      while (lane.pending.length > 0) {
        await appendLine(lane.setup.runId, lane.lines, lane.pending[0])
        lane.lines++
        lane.pending.shift()
      }
    })
  flushing.set(lane, mine)
  return mine
}
