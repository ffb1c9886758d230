import { allRead } from './samples'
import { placeOf, valuesOf, type ValueColumn } from './valueColumn'
import { CHANNELS, type Channel } from './channels'

export { CHANNELS, type Channel }

/**
 * A trace: the readings of one run as columns over one clock.
 *
 * Units: seconds since power-on, °C, and for each channel the unit of its entry in the table of channels: shown
 * battery percentage points, volts and amperes at the source side of the meter, watts; positive into the device.
 * `NaN` means "not read"; nothing turns a missing reading into zero.
 */
export interface Trace extends Partial<Record<Channel, Float64Array>> {
  /** Seconds since power-on, never falling. */
  time: Float64Array
  /** °C by place, e.g. `back`; the unnamed place is ''. */
  temperatures: Record<string, Float64Array>
  /** One per reading; '' where there is none. */
  notes?: string[]
}

/** One reading as it is taken, before it becomes a row of columns. Missing means not read. */
export interface Reading extends Partial<Record<Channel, number>> {
  /** Seconds since power-on. */
  t: number
  temperatures?: Record<string, number>
  note?: string
  /** The mark this reading was due at, in seconds; the real time is `t`. */
  nominal?: number
  /** The instrument it came from, where several feed one lane, each with a clock of its own. */
  stream?: string
}

/** A value recorded beside the trace: an event of the run, in seconds since power-on. */
export interface TraceEvent {
  t: number
  kind: string
  text: string
}

/** A corrected reading. The old value stays here for good. */
export interface Correction {
  /** Row of the trace that was corrected, and its time in seconds. */
  row: number
  t: number
  /** A channel or a place's temperature, the reading's time (s), or the reading itself where it was forgotten and added later. */
  what: ValueColumn | 'time' | 'reading'
  from: number | null
  to: number | null
  why: string
  /** ISO 8601 moment of the correction. */
  when: string
}

export type Provenance = 'hand' | 'meter' | 'self-report' | 'import' | 'simulation'

/** Turns readings into columns. A channel nobody read has no column. */
export function traceFromReadings(readings: readonly Reading[]): Trace {
  const trace: Trace = { time: Float64Array.from(readings, (r) => r.t), temperatures: {} }
  for (const channel of CHANNELS) {
    if (readings.some((r) => r[channel] !== undefined && !Number.isNaN(r[channel])))
      trace[channel] = Float64Array.from(readings, (r) => r[channel] ?? NaN)
  }
  const places = new Set(readings.flatMap((r) => Object.keys(r.temperatures ?? {})))
  for (const place of places)
    trace.temperatures[place] = Float64Array.from(readings, (r) => r.temperatures?.[place] ?? NaN)
  if (readings.some((r) => r.note)) trace.notes = readings.map((r) => r.note ?? '')
  return trace
}

/** The last moment of the trace, in seconds; 0 for an empty one. */
export const durationOf = (trace: Trace): number =>
  trace.time.length ? trace.time[trace.time.length - 1] : 0

/** The readings at which the display was watched as it turned. Seconds and percent. */
export function watchedOf({ time, percent, watched }: Trace): { t: number; percent: number }[] {
  if (!percent || !watched) return []
  return Array.from(time, (t, i) => ({ t, percent: percent[i], watched: watched[i] }))
    .filter((r) => r.watched === 1 && !Number.isNaN(r.percent))
    .map(({ t, percent: level }) => ({ t, percent: level }))
}

/** The trace with the first readings at the given levels marked as watched. Levels never shown are passed over. */
export function withWatched(trace: Trace, levels: readonly number[]): Trace {
  const { percent } = trace
  if (!percent || levels.length === 0) return trace
  const watched = trace.watched?.slice() ?? new Float64Array(percent.length).fill(NaN)
  for (const level of levels) {
    const row = percent.indexOf(level)
    if (row >= 0) watched[row] = 1
  }
  return { ...trace, watched }
}

/** Every column of a trace: the time, the channels, the temperatures. */
export const columnsOf = (trace: Trace): Float64Array[] => [
  trace.time,
  ...CHANNELS.flatMap((c) => trace[c] ?? []),
  ...Object.values(trace.temperatures),
]

/** Which channels hold at least one value. */
export const channelsOf = (trace: Trace): Channel[] =>
  CHANNELS.filter((c) => trace[c]?.some((v) => !Number.isNaN(v)))

/**
 * Watts per reading: the power as read, else volts × amperes where both were read (NaN elsewhere).
 * Undefined when the trace carries neither; the column itself where every reading has its watts: not to be written to.
 */
export const powerColumn = ({ power, voltage, current }: Trace): Float64Array | undefined =>
  wattsColumn(power, voltage, current)

/** The same at the battery: positive into it. */
export const batteryPowerColumn = (trace: Trace): Float64Array | undefined =>
  wattsColumn(trace.batteryPower, trace.batteryVoltage, trace.batteryCurrent)

function wattsColumn(
  power: Float64Array | undefined,
  voltage: Float64Array | undefined,
  current: Float64Array | undefined,
): Float64Array | undefined {
  if (!voltage || !current || (power && allRead(power))) return power
  const watts = power?.slice() ?? new Float64Array(voltage.length).fill(NaN)
  for (let i = 0; i < watts.length; i++) if (Number.isNaN(watts[i])) watts[i] = voltage[i] * current[i]
  return watts
}

/** Watts of one reading: as read, else volts × amperes; NaN when neither was read. */
export const wattsOf = ({ power, voltage, current }: Reading): number =>
  power ?? (voltage !== undefined && current !== undefined ? voltage * current : NaN)

/** The same at the battery. */
export const batteryWattsOf = (r: Reading): number =>
  wattsOf({ t: r.t, power: r.batteryPower, voltage: r.batteryVoltage, current: r.batteryCurrent })

/** Amperes per reading: as read, else watts ÷ volts where both were read. */
export function currentColumn(trace: Trace): Float64Array | undefined {
  const { power, voltage, current } = trace
  if (!current && !(voltage && power)) return undefined
  if (current && allRead(current)) return current
  const amps = current?.slice() ?? new Float64Array(trace.time.length).fill(NaN)
  if (voltage && power)
    for (let i = 0; i < amps.length; i++) if (Number.isNaN(amps[i])) amps[i] = power[i] / voltage[i]
  return amps
}

/**
 * Returns a copy of the trace with one value changed. The caller keeps the {@link Correction}.
 * @throws RangeError when the row does not exist.
 */
export function withValue(trace: Trace, row: number, what: ValueColumn, value: number): Trace {
  if (row < 0 || row >= trace.time.length) throw new RangeError(`There is no reading number ${row + 1}.`)
  const column = valuesOf(trace, what)?.slice() ?? new Float64Array(trace.time.length).fill(NaN)
  column[row] = value
  const place = placeOf(what)
  return place === null
    ? { ...trace, [what]: column }
    : { ...trace, temperatures: { ...trace.temperatures, [place]: column } }
}

/**
 * Returns a copy of the trace with one reading at another time (s).
 * @throws RangeError when the row does not exist, or the time would pass its neighbours: times never fall.
 */
export function withTime(trace: Trace, row: number, t: number): Trace {
  const { time } = trace
  if (row < 0 || row >= time.length) throw new RangeError(`There is no reading number ${row + 1}.`)
  const [low, high] = [time[row - 1] ?? 0, time[row + 1] ?? Infinity]
  if (!(t >= low && t <= high))
    throw new RangeError(
      `A reading stays between its neighbours: from ${low} s${high < Infinity ? ` to ${high} s` : ''}.`,
    )
  const moved = time.slice()
  moved[row] = t
  return { ...trace, time: moved }
}

/** Returns a copy of the trace with one reading more, in its place in time, and the row it stands in. */
export function withReading(trace: Trace, reading: Reading): { trace: Trace; row: number } {
  const { time } = trace
  const after = time.findIndex((t) => t > reading.t)
  const row = after < 0 ? time.length : after
  const insert = (column: Float64Array | undefined, value: number | undefined): Float64Array => {
    const grown = new Float64Array(time.length + 1).fill(NaN)
    if (column) {
      grown.set(column.subarray(0, row))
      grown.set(column.subarray(row), row + 1)
    }
    grown[row] = value ?? NaN
    return grown
  }
  const grown: Trace = { time: insert(time, reading.t), temperatures: {} }
  for (const channel of CHANNELS)
    if (trace[channel] || reading[channel] !== undefined)
      grown[channel] = insert(trace[channel], reading[channel])
  for (const place of new Set([
    ...Object.keys(trace.temperatures),
    ...Object.keys(reading.temperatures ?? {}),
  ]))
    grown.temperatures[place] = insert(trace.temperatures[place], reading.temperatures?.[place])
  if (trace.notes || reading.note) {
    const notes = trace.notes ?? Array.from(time, () => '')
    grown.notes = [...notes.slice(0, row), reading.note ?? '', ...notes.slice(row)]
  }
  return { trace: grown, row }
}
