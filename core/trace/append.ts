import { usualStep } from './samples'
import { CHANNELS, durationOf, type Trace } from './trace'

/**
 * A record and what came after it as one trace, on the first one's clock: a meter that writes a file an hour, a log that
 * stopped and was begun again. What only one of them holds was not read in the other. Counters are kept as they were
 * read: one that began again shows its reset.
 *
 * @param beginsS moment of the first one's clock at which the second one's 0 stands, s
 * @throws RangeError where the second would have readings from before the first one's end
 * @example appended(firstHour, secondHour, 3600).time.at(-1) // 7190
 */
export function appended(first: Trace, second: Trace, beginsS: number): Trace {
  const seconds = second.time.map((t) => t + beginsS)
  if (!(seconds[0] >= durationOf(first)))
    throw new RangeError('What comes after begins before the last reading of what comes first.')
  const column = (a: Float64Array | undefined, b: Float64Array | undefined) => {
    const whole = new Float64Array(first.time.length + seconds.length).fill(NaN)
    if (a) whole.set(a)
    if (b) whole.set(b, first.time.length)
    return whole
  }
  const trace: Trace = { time: column(first.time, seconds), temperatures: {} }
  for (const channel of CHANNELS)
    if (first[channel] ?? second[channel]) trace[channel] = column(first[channel], second[channel])
  for (const place of new Set([first, second].flatMap((of) => Object.keys(of.temperatures))))
    trace.temperatures[place] = column(first.temperatures[place], second.temperatures[place])
  if (first.notes ?? second.notes) {
    const notesOf = ({ time, notes }: Trace) => notes ?? Array.from(time, () => '')
    trace.notes = [...notesOf(first), ...notesOf(second)]
  }
  return trace
}

/**
 * Where the zero of what came after stands on the first one's clock, s: by the moments at which both began where those are
 * known and leave room for the first, else a usual step of it after the first one's last reading.
 *
 * @param apartS how much later it began, s; NaN where nobody knows
 */
export function goesOnAt(first: Trace, second: Trace, apartS: number): number {
  const endsS = durationOf(first)
  if (second.time[0] + apartS >= endsS) return apartS
  return endsS + usualStep(second) - second.time[0]
}
