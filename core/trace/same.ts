import { CHANNELS, type Trace } from './trace'

/** Nought is nought: a file knows no −0. */
function isSameColumn(a: Float64Array | undefined, b: Float64Array | undefined): boolean {
  if (a === undefined || b === undefined) return a === b
  if (a.length !== b.length) return false
  // A plain loop: a million readings of six columns are gone through in a blink of the page.
  for (let i = 0; i < a.length; i++)
    if (a[i] !== b[i] && !(Number.isNaN(a[i]) && Number.isNaN(b[i]))) return false
  return true
}
const areSameNotes = (a: Trace['notes'] = [], b: Trace['notes'] = []): boolean =>
  [...(a.length > b.length ? a : b).keys()].every((i) => (a[i] ?? '') === (b[i] ?? ''))

/** Whether two traces hold the same readings, to the last digit: times, values, what was not read, and notes. */
export function isSameTrace(a: Trace, b: Trace): boolean {
  const places = Object.keys(a.temperatures)
  return (
    isSameColumn(a.time, b.time) &&
    CHANNELS.every((channel) => isSameColumn(a[channel], b[channel])) &&
    places.length === Object.keys(b.temperatures).length &&
    places.every((place) => isSameColumn(a.temperatures[place], b.temperatures[place])) &&
    areSameNotes(a.notes, b.notes)
  )
}
