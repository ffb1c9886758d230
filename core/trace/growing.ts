import { onLane, type Offsets } from './clocks'
import { CHANNELS, type Channel, type Reading, type Trace } from './trace'

const FIRST_ROOM = 64

/**
 * The readings of a run while it goes on, as columns that grow: adding one costs the same at the first reading and
 * at the millionth, and no object is kept per reading. In the order of arrival; times in seconds on each stream's
 * own clock.
 */
export class GrowingReadings {
  private count = 0
  private time = new Float64Array(FIRST_ROOM)
  private readonly columns = new Map<Channel, Float64Array>()
  private readonly places = new Map<string, Float64Array>()
  /** Which stream each reading came from: 0 for a hand, else 1 + its place in `streams`. */
  private from = new Uint8Array(FIRST_ROOM)
  private readonly streams: string[] = []
  private readonly notes = new Map<number, string>()
  private readonly nominals = new Map<number, number>()

  get length(): number {
    return this.count
  }

  push(reading: Reading): void {
    const row = this.count
    if (row === this.time.length) this.makeRoom()
    this.time[row] = reading.t
    for (const channel of CHANNELS) {
      const value = reading[channel]
      if (value !== undefined) this.column(this.columns, channel)[row] = value
    }
    for (const [place, value] of Object.entries(reading.temperatures ?? {}))
      this.column(this.places, place)[row] = value
    this.from[row] = reading.stream === undefined ? 0 : this.streamNumber(reading.stream)
    if (reading.note) this.notes.set(row, reading.note)
    if (reading.nominal !== undefined) this.nominals.set(row, reading.nominal)
    this.count++
  }

  /** The reading at a row as it was pushed. */
  at(row: number): Reading {
    const reading: Reading = { t: this.time[row] }
    for (const [channel, column] of this.columns)
      if (!Number.isNaN(column[row])) reading[channel] = column[row]
    const read = [...this.places].filter(([, column]) => !Number.isNaN(column[row]))
    if (read.length) reading.temperatures = Object.fromEntries(read.map(([place, c]) => [place, c[row]]))
    if (this.from[row] > 0) reading.stream = this.streams[this.from[row] - 1]
    if (this.notes.has(row)) reading.note = this.notes.get(row)
    if (this.nominals.has(row)) reading.nominal = this.nominals.get(row)
    return reading
  }

  *[Symbol.iterator](): Generator<Reading> {
    for (let row = 0; row < this.count; row++) yield this.at(row)
  }

  /** The readings from a moment on, s, each on its stream's own clock, in the order of time. */
  since(fromS: number): Reading[] {
    let row = this.count
    while (row > 0 && this.time[row - 1] >= fromS) row--
    const found = Array.from({ length: this.count - row }, (_, i) => this.at(row + i))
    return found.sort((a, b) => a.t - b.t)
  }

  /** The last row a hand put in, −1 when there is none. */
  lastByHand(): number {
    for (let row = this.count - 1; row >= 0; row--) if (this.from[row] === 0) return row
    return -1
  }

  /**
   * The readings as a trace, each stream moved onto the lane's clock and everything in the order of time. Readings
   * of one instant keep the order in which they came. Values are copied.
   */
  trace(offsets: Offsets): Trace {
    const time = Float64Array.from({ length: this.count }, (_, row) =>
      onLane(this.time[row], offsets[this.from[row] ? this.streams[this.from[row] - 1] : '']),
    )
    const order = inOrder(time)
    const pick = (column: Float64Array) =>
      order ? Float64Array.from(order, (row) => column[row]) : column.slice(0, this.count)
    const trace: Trace = {
      time: pick(time),
      temperatures: Object.fromEntries([...this.places].map(([place, column]) => [place, pick(column)])),
    }
    for (const channel of CHANNELS) {
      const column = this.columns.get(channel)
      if (column) trace[channel] = pick(column)
    }
    if (this.notes.size > 0)
      trace.notes = Array.from(trace.time, (_, i) => this.notes.get(order ? order[i] : i) ?? '')
    return trace
  }

  private column<K>(columns: Map<K, Float64Array>, key: K): Float64Array {
    let column = columns.get(key)
    if (!column) columns.set(key, (column = new Float64Array(this.time.length).fill(NaN)))
    return column
  }

  private streamNumber(stream: string): number {
    let at = this.streams.indexOf(stream)
    if (at < 0) at = this.streams.push(stream) - 1
    return at + 1
  }

  private makeRoom(): void {
    const room = this.time.length * 2
    this.time = grown(this.time, room)
    for (const [channel, column] of this.columns) this.columns.set(channel, grown(column, room))
    for (const [place, column] of this.places) this.places.set(place, grown(column, room))
    const from = new Uint8Array(room)
    from.set(this.from)
    this.from = from
  }
}

function grown(column: Float64Array, room: number): Float64Array<ArrayBuffer> {
  const longer = new Float64Array(room).fill(NaN)
  longer.set(column)
  return longer
}

/** The rows in the order of time; null where they stand in it already, as they nearly always do. */
function inOrder(time: Float64Array): Uint32Array | null {
  let falls = false
  for (let i = 1; i < time.length && !falls; i++) falls = time[i] < time[i - 1]
  if (!falls) return null
  const order = Uint32Array.from(time.keys())
  // Equal times keep their order: a typed array's sort need not be stable, so rows break the tie.
  return order.sort((a, b) => time[a] - time[b] || a - b)
}
