import Papa from 'papaparse'
import { channel } from '../trace/channels'
import { CHANNELS, type Trace } from '../trace/trace'
import { guardCell } from './textCell'

/** Writes a trace by the contract: RFC 4180, one header row, an empty cell for "not read". */
export function writeTraceCsv(trace: Trace): string {
  const places = Object.keys(trace.temperatures)
  const channels = CHANNELS.filter((c) => trace[c])
  const fields = [
    'time_s',
    ...channels.map((c) => channel(c).header),
    ...places.map((place) => (place ? `temperature_${place}_c` : 'temperature_c')),
    ...(trace.notes ? ['note'] : []),
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
