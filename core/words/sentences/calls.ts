import { list } from '../lists'

/**
 * What is said aloud as lanes want something, by their places on the bench, counted from 1.
 * @example spokenCall([1, 3], 'read') // "Lanes 1 and 3: read."
 */
export function spokenCall(places: readonly number[], what: 'read' | 'too hot'): string {
  const lanes = list(places.map(String))
  return `${places.length === 1 ? 'Lane' : 'Lanes'} ${lanes}: ${what}.`
}
