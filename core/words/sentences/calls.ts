import { duration } from '../figures'
import { list } from '../lists'

/**
 * What is said aloud as lanes want something, by their places on the bench, counted from 1.
 * @example spokenCall([1, 3], 'read') // "Lanes 1 and 3: read."
 */
export function spokenCall(places: readonly number[], what: 'read' | 'too hot'): string {
  const lanes = list(places.map(String))
  return `${places.length === 1 ? 'Lane' : 'Lanes'} ${lanes}: ${what}.`
}

/** More than these say less than their number does. */
const MOST_MISSED = 4

/**
 * Readings that nobody took, by their minutes; of many, how many there are and the last. '' of none.
 * @param marks seconds, rising
 * @example missedWords([300, 600]) // "missed: 5 min, 10 min"
 */
export function missedWords(marks: readonly number[]): string {
  const last = marks.at(-1)
  if (last === undefined) return ''
  return marks.length <= MOST_MISSED
    ? `missed: ${marks.map((s) => duration(s)).join(', ')}`
    : `missed: ${marks.length} readings, the last at ${duration(last)}`
}
