import { CHANNELS, type Trace } from './trace'

const isSameColumn = (a: Float64Array | undefined, b: Float64Array | undefined): boolean =>
  a === undefined || b === undefined
    ? a === b
    : a.length === b.length && a.every((v, i) => Object.is(v, b[i]))

/** Whether two traces hold the same readings, to the last digit: times, values, what was not read, and notes. */
export function isSameTrace(a: Trace, b: Trace): boolean {
  const places = Object.keys(a.temperatures)
  return (
    isSameColumn(a.time, b.time) &&
    CHANNELS.every((channel) => isSameColumn(a[channel], b[channel])) &&
    places.length === Object.keys(b.temperatures).length &&
    places.every((place) => isSameColumn(a.temperatures[place], b.temperatures[place])) &&
    a.time.every((_, i) => (a.notes?.[i] ?? '') === (b.notes?.[i] ?? ''))
  )
}
