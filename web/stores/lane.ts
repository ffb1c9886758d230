import { markRaw, shallowReactive } from 'vue'
import type { LaneNow } from '@core/bench/due'
import type { JournalLine } from '@core/bench/line'
import { speedOf, type LaneSetup } from '@core/bench/setup'
import { newLane, reduceLane } from '@core/bench/state'
import type { SimulatedBench } from '@core/model/instruments'
import { appendLine } from '../storage/journal'
import { copyLine } from '../storage/secondCopy'

/** One run on the bench while it is being read: what the core knows of it, and what ties it to this page. */
export interface Lane extends LaneNow {
  /** Raised with every line: the state itself is changed in place. */
  count: number
  /** `performance.now()` at power-on: the page's own clock, which nobody can set. */
  startedAtPage: number
  simulated?: SimulatedBench
  /** What listens to the lane's instruments. */
  feed?: { stop(): void; rebase(): void }
  /** Streams that are lost at the moment, with the reason. */
  lost: Record<string, string>
  /** Lines not yet in storage, in order; empty unless storage refuses. */
  pending: { number: number; line: JournalLine }[]
  /** The number of the next line. */
  next: number
  offerStop: string | null
}

/** A reading or event as it was noted, and whether it is safe; if not, it is in memory and the second copy only. */
export interface Noted<T> {
  noted: T
  stored: boolean
}

export function makeLane(setup: LaneSetup, startedAtPage: number, simulated?: SimulatedBench): Lane {
  return shallowReactive<Lane>({
    setup,
    state: markRaw(newLane()),
    count: 0,
    elapsedS: 0,
    startedAtPage,
    simulated: simulated && markRaw(simulated),
    lost: {},
    pending: markRaw([]),
    next: 0,
    offerStop: null,
    closingInFrom: null,
  })
}

export const elapsedAt = (lane: Lane, pageNow: number): number =>
  Math.max(0, ((pageNow - lane.startedAtPage) / 1000) * speedOf(lane.setup))

/** Takes a journal line into the lane as it is shown. */
export function apply(lane: Lane, line: JournalLine): void {
  reduceLane(lane.state, line)
  lane.count++
}

/**
 * Writes a line: into memory and the second copy at once, then into storage. It is only safe when this resolves; it
 * rejects when the browser refuses, and loses nothing.
 */
export async function record(lane: Lane, line: JournalLine): Promise<void> {
  const number = lane.next++
  lane.pending.push({ number, line })
  apply(lane, line)
  copyLine(lane.setup.runId, number, line)
  await flush(lane)
}

const flushing = new WeakMap<Lane, Promise<void>>()

/** Stores what is not stored yet, oldest first. */
export function flush(lane: Lane): Promise<void> {
  const before = flushing.get(lane) ?? Promise.resolve()
  const mine = before
    .catch(() => undefined)
    .then(async () => {
      while (lane.pending.length > 0) {
        const [{ number, line }] = lane.pending
        await appendLine(lane.setup.runId, number, line)
        lane.pending.shift()
      }
    })
  flushing.set(lane, mine)
  return mine
}
