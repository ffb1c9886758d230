import { readingAt } from '@core/bench/due'
import { stamp } from '@core/bench/state'
import type { Offsets } from '@core/trace/clocks'
import type { Reading, TraceEvent } from '@core/trace/trace'
import type { useBenchClock } from './benchClock'
import { elapsedAt, record, type Lane, type Noted } from './lane'

/** What a reviewer notes on a lane. Each resolves once it is stored, or refused: then it stays in memory. */
export function benchNotes(
  clock: Pick<ReturnType<typeof useBenchClock>, 'watch' | 'settled'>,
  safely: (work: Promise<unknown>) => Promise<boolean>,
) {
  /** A moment of this lane, told only once no jump of the machine's clock is in doubt. */
  async function momentOf(lane: Lane, seenAt?: number): Promise<number> {
    const pageNow = performance.now()
    clock.watch(pageNow)
    await clock.settled()
    return stamp(lane.state, elapsedAt(lane, seenAt ?? pageNow))
  }

  /** Notes a reading at this very moment; or at the one, on the page's clock, at which it was seen. */
  async function note(
    lane: Lane,
    values: Omit<Reading, 't' | 'nominal'>,
    seenAt?: number,
  ): Promise<Noted<Reading>> {
    const noted = readingAt(lane, await momentOf(lane, seenAt), values)
    return { noted, stored: await safely(record(lane, { kind: 'readings', readings: [noted] })) }
  }

  const takeBack = (lane: Lane) => safely(record(lane, { kind: 'take-back' }))

  async function noteEvent(lane: Lane, kind: string, text: string): Promise<Noted<TraceEvent>> {
    const noted = { t: await momentOf(lane), kind, text }
    return { noted, stored: await safely(record(lane, { kind: 'event', event: noted })) }
  }
  const setOffsets = (lane: Lane, offsets: Offsets) => safely(record(lane, { kind: 'offsets', offsets }))
  return { note, takeBack, noteEvent, setOffsets }
}
