import { isPlainKey } from './fields'

/** Most places at which temperatures are read in one run. */
export const MOST_PLACES = 24
const PLACE_MAX = 40

/**
 * Why a set of places of temperature cannot stand, in words to follow the name of the place; null when it can.
 * A place is a column of its own in files, so that two which differ in capitals only would become one there.
 */
export function placesProblem(places: readonly string[]): string | null {
  if (places.length > MOST_PLACES) return `are more than ${MOST_PLACES} places`
  const seen = new Set<string>()
  for (const place of places) {
    if (place !== '' && (!isPlainKey(place, PLACE_MAX) || place.trim() !== place))
      return `"${place.slice(0, PLACE_MAX)}" cannot be the name of a place`
    const same = place.toLowerCase()
    if (seen.has(same)) return `"${place}" is there twice`
    seen.add(same)
  }
  return null
}
