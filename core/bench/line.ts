import { BOUNDS, LONGEST_S, TEMPERATURE_BOUNDS } from '../trace/bounds'
import type { Offsets } from '../trace/clocks'
import { isBetween, isPlainKey } from '../trace/fields'
import { placesProblem } from '../trace/places'
import { CHANNELS, type Reading, type TraceEvent } from '../trace/trace'

/** One line of a lane's journal. Lines are only ever added; taking a reading back is a line of its own. */
export type JournalLine =
  | { kind: 'readings'; readings: Reading[] }
  | { kind: 'take-back' }
  | { kind: 'event'; event: TraceEvent }
  /** Where the streams' clocks stand against the lane's, s. */
  | { kind: 'offsets'; offsets: Offsets }

const MOST_OFFSET_S = 14 * 24 * 3600
const WORDS = 2000
const isText = (v: unknown, most = WORDS): boolean => typeof v === 'string' && v.length <= most

/** Whether a line holds: the one check before it is written and whenever it is read. */
export function isLine(line: unknown): line is JournalLine {
  if (typeof line !== 'object' || line === null) return false
  const l = line as JournalLine
  switch (l.kind) {
    case 'readings':
      return Array.isArray(l.readings) && l.readings.every(isReading)
    case 'take-back':
      return true
    case 'event':
      return isEvent(l.event)
    case 'offsets':
      return (
        typeof l.offsets === 'object' &&
        l.offsets !== null &&
        Object.entries(l.offsets).every(
          ([stream, s]) => isPlainKey(stream) && isBetween(s, -MOST_OFFSET_S, MOST_OFFSET_S),
        )
      )
    default:
      return false
  }
}

const isEvent = (event: TraceEvent | null | undefined): boolean =>
  typeof event === 'object' &&
  event !== null &&
  isBetween(event.t, 0, LONGEST_S) &&
  isText(event.kind, 40) &&
  isText(event.text, 400)

/** Whether a reading can be kept: its time and every value within what its channel can hold. */
export function isReading(r: Reading): boolean {
  if (typeof r !== 'object' || r === null || !isBetween(r.t, 0, LONGEST_S)) return false
  const values = CHANNELS.every((c) => r[c] === undefined || isBetween(r[c], ...BOUNDS[c]))
  const marks = r.nominal === undefined || isBetween(r.nominal, 0, LONGEST_S)
  const words = (r.note === undefined || isText(r.note)) && (r.stream === undefined || isPlainKey(r.stream))
  return values && marks && words && areTemperatures(r.temperatures)
}

function areTemperatures(temperatures: Reading['temperatures']): boolean {
  if (temperatures === undefined) return true
  if (typeof temperatures !== 'object' || temperatures === null) return false
  return (
    placesProblem(Object.keys(temperatures)) === null &&
    Object.values(temperatures).every((c) => isBetween(c, ...TEMPERATURE_BOUNDS))
  )
}

/** A reading without the values that no channel can hold; null when nothing is left of it. */
export function withinBounds(reading: Reading): Reading | null {
  const kept: Reading = { ...reading }
  for (const channel of CHANNELS)
    if (kept[channel] !== undefined && !isBetween(kept[channel], ...BOUNDS[channel])) delete kept[channel]
  if (kept.temperatures) {
    const good = Object.entries(kept.temperatures).filter(([, c]) => isBetween(c, ...TEMPERATURE_BOUNDS))
    if (good.length) kept.temperatures = Object.fromEntries(good)
    else delete kept.temperatures
  }
  const something = kept.temperatures !== undefined || CHANNELS.some((c) => kept[c] !== undefined)
  return something && isReading(kept) ? kept : null
}
