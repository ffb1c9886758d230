import type { Offsets } from '../trace/clocks'
import { GrowingReadings } from '../trace/growing'
import { batteryWattsOf, wattsOf, type Reading, type TraceEvent } from '../trace/trace'
import { ShownLevels } from './levels'
import type { JournalLine } from './line'
import { TaperWatch } from './taperWatch'

/** A lane as its journal tells it. Everything a screen shows of it follows from this and the clock. */
export interface LaneState {
  readings: GrowingReadings
  events: TraceEvent[]
  offsets: Offsets
  /** The streams were put on one clock. */
  aligned: boolean
  /** Lines taken in so far. */
  lines: number
  /** Marks that readings have answered, s. */
  answered: Set<number>
  levels: ShownLevels
  /** The last reading of each kind, in the order of arrival. */
  lastT: number
  lastWatts: number
  /** Into the battery, as the device tells it. */
  lastBatteryWatts: number
  /** The highest watts so far at the source, and into the battery; 0 before any were read. */
  mostWatts: number
  mostBatteryWatts: number
  lastTemperatures: Record<string, number>
  lastTemperatureT: number
  taper: TaperWatch
  /** The latest time of each stream, '' for the hand, on its own clock: no stream's times ever fall. */
  latest: Map<string, number>
}

/** A lane at power-on, before anything was read. */
export const newLane = (): LaneState => ({
  readings: new GrowingReadings(),
  events: [],
  offsets: {},
  aligned: false,
  lines: 0,
  answered: new Set(),
  levels: new ShownLevels(),
  lastT: NaN,
  lastWatts: NaN,
  lastBatteryWatts: NaN,
  mostWatts: 0,
  mostBatteryWatts: 0,
  lastTemperatures: {},
  lastTemperatureT: NaN,
  taper: new TaperWatch(),
  latest: new Map(),
})

/**
 * Takes one journal line in. The state is changed in place and given back: a journal of twenty thousand lines must
 * not copy it twenty thousand times. Same lines, same state.
 */
export function reduceLane(state: LaneState, line: JournalLine): LaneState {
  state.lines++
  switch (line.kind) {
    case 'readings':
      for (const reading of line.readings) takeIn(state, reading)
      return state
    case 'event':
      state.events.push(line.event)
      return state
    case 'offsets':
      state.offsets = line.offsets
      state.aligned = true
      return state
    case 'take-back':
      return withoutLastByHand(state)
  }
}

function takeIn(state: LaneState, reading: Reading): void {
  state.readings.push(reading)
  const { t, percent, temperatures, nominal, stream = '' } = reading
  state.latest.set(stream, Math.max(t, state.latest.get(stream) ?? 0))
  state.lastT = t
  if (nominal !== undefined) state.answered.add(nominal)
  if (percent !== undefined) state.levels.add(t, percent)
  const watts = wattsOf(reading)
  if (!Number.isNaN(watts)) {
    state.lastWatts = watts
    state.mostWatts = Math.max(state.mostWatts, watts)
    state.taper.add(t, watts)
  }
  const into = batteryWattsOf(reading)
  if (!Number.isNaN(into)) {
    state.lastBatteryWatts = into
    state.mostBatteryWatts = Math.max(state.mostBatteryWatts, into)
    // Where no meter stands beside it, the battery's own watts tell when the current has all but stopped.
    if (Number.isNaN(state.lastWatts)) state.taper.add(t, into)
  }
  if (temperatures && Object.keys(temperatures).length > 0) {
    state.lastTemperatures = temperatures
    state.lastTemperatureT = t
  }
}

/** The last reading that a hand put in goes; what an instrument read stays, and so does the start level. */
function withoutLastByHand(state: LaneState): LaneState {
  const at = state.readings.lastByHand()
  if (at < 0 || state.readings.at(at).t === 0) return state
  const kept = [...state.readings].filter((_, row) => row !== at)
  const fresh = newLane()
  for (const reading of kept) takeIn(fresh, reading)
  return Object.assign(state, {
    ...fresh,
    events: state.events,
    offsets: state.offsets,
    aligned: state.aligned,
    lines: state.lines,
  })
}

/** Whether there is a reading that can be taken back. */
export function mayTakeBack({ readings }: LaneState): boolean {
  const at = readings.lastByHand()
  return at >= 0 && readings.at(at).t > 0
}

/**
 * A moment on the lane's clock as every reading and event is stamped: seconds, to the millisecond, never before the
 * stream's last. The one rule for typed and streamed times alike.
 */
export const stamp = (state: LaneState, elapsedS: number, stream = ''): number =>
  Math.max(0, state.latest.get(stream) ?? 0, Math.round(elapsedS * 1000) / 1000)
