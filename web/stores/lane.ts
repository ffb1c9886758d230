import { markRaw, shallowReactive } from 'vue'
import { DEFAULT_STOP_LIMIT_C } from '@core/protocol/protocol'
import type { ReadingRule, StopRule } from '@core/protocol/rules'
import type { ChecklistAnswer } from '@core/protocol/checklist'
import type { SimulatedBench } from '@core/model/instruments'
import { missedMarks, nextMark, nominalMark } from '@core/protocol/schedule'
import type { Reading, TraceEvent } from '@core/trace/trace'
import { appendLine, type JournalLine } from '../storage/journal'

/** When and where temperatures are read, and at which one the bench says stop, °C. */
export interface HeatRule {
  minutes: number[]
  places: string[]
  stopLimitC: number
}
export const NO_HEAT: HeatRule = { minutes: [], places: [], stopLimitC: DEFAULT_STOP_LIMIT_C }

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
  feed: { kind: 'hand' } | { kind: 'simulated'; seed: number; speed: number }
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
    pending: markRaw([]),
    lines: 0,
    offerStop: null,
    closingInFrom: null,
  })
}

export const speedOf = ({ setup }: Lane): number => (setup.feed.kind === 'simulated' ? setup.feed.speed : 1)
export const elapsedAt = (lane: Lane, pageNow: number): number =>
  Math.max(0, ((pageNow - lane.startedAtPage) / 1000) * speedOf(lane))

/** Marks answered so far; power-on counts as the first. */
const answered = (lane: Lane): number[] => [0, ...lane.readings.flatMap((r) => r.nominal ?? [])]
export const lastMark = (lane: Lane): number => Math.max(...answered(lane))
export const dueAt = (lane: Lane): number =>
  nextMark(lane.setup.reading, lane.elapsedS, lastMark(lane), lane.closingInFrom)
export const missedOf = (lane: Lane): number[] =>
  missedMarks(lane.setup.reading, lane.elapsedS, answered(lane), lane.closingInFrom)
export const nominalFor = (lane: Lane, t: number): number | undefined =>
  nominalMark(lane.setup.reading, t, lastMark(lane), lane.closingInFrom)

/** Puts a line into memory and into storage, in that order of safety: it is only done when stored. */
export async function record(lane: Lane, line: JournalLine): Promise<void> {
  lane.pending.push(line)
  if (line.kind === 'readings') lane.readings.push(...line.readings)
  else if (line.kind === 'event') lane.events.push(line.event)
  else lane.readings.pop()
  lane.count++
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
