import Papa from 'papaparse'
import { channel, type Channel } from '../trace/channels'
import { CHANNELS, type Trace } from '../trace/trace'
import { guardCell } from './textCell'

/** How the columns of a table are headed. */
export interface Headings {
  time: string
  channel: (name: Channel) => string
  /** The unnamed place is ''. */
  temperature: (place: string) => string
  note: string
}

/** Our own: the contract. */
const OWN: Headings = {
  time: 'time_s',
  channel: (name) => channel(name).header,
  temperature: (place) => (place ? `temperature_${place}_c` : 'temperature_c'),
  note: 'note',
}

/** Writes a trace by the contract: RFC 4180, one header row, an empty cell for "not read". */
export function writeTraceCsv(trace: Trace, headings: Headings = OWN): string {
  const places = Object.keys(trace.temperatures)
  const channels = CHANNELS.filter((c) => trace[c])
  const fields = [
    headings.time,
    ...channels.map(headings.channel),
    ...places.map(headings.temperature),
    ...(trace.notes ? [headings.note] : []),
  ]
  const cell = (n: number): string => (Number.isNaN(n) ? '' : String(n))
  const data = Array.from(trace.time, (t, i) => [
    String(t),
    ...channels.map((c) => cell(trace[c]![i])),
    ...places.map((place) => cell(trace.temperatures[place][i])),
    ...(trace.notes ? [guardCell(trace.notes[i])] : []),
  ])
  return Papa.unparse({ fields, data }, { newline: '\r\n' }) + '\r\n'
}
