/** Objects within objects are gone into so deep: `usb.voltage`. */
const DEEPEST = 3
/** What a logbook has at its top: an object with it is no record of readings, however damaged. */
const OF_LOGBOOK = ['format', 'schemaVersion', 'devices', 'sources', 'runs']

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const areObjects = (value: unknown): value is Record<string, unknown>[] =>
  Array.isArray(value) && value.length > 1 && value.every(isObject)

/**
 * What an object holds as numbers and words, by name; those within others by both names.
 *
 * @example valuesIn({ time: 0, usb: { voltage: 9 } }) // [['time', '0'], ['usb voltage', '9']]
 */
export const valuesIn = (object: Record<string, unknown>, deep = 1): [name: string, value: string][] =>
  Object.entries(object).flatMap(([name, value]): [string, string][] => {
    if (typeof value === 'number' || typeof value === 'string') return [[name, String(value)]]
    if (!isObject(value) || deep >= DEEPEST) return []
    return valuesIn(value, deep + 1).map(([inner, of]) => [`${name} ${inner}`, of])
  })

/**
 * The readings of a text that is one list of objects, or an object with such a list in it, as exports of apps are; the
 * longest where it has several. Undefined for any other text, a logbook among them.
 */
export function recordsIn(text: string): Record<string, unknown>[] | undefined {
  if (!/^\s*[[{]/.test(text)) return undefined
  let whole: unknown
  try {
    whole = JSON.parse(text)
  } catch {
    return undefined
  }
  if (areObjects(whole)) return whole
  if (!isObject(whole) || OF_LOGBOOK.some((name) => name in (whole as object))) return undefined
  const lists = Object.values(whole).filter(areObjects)
  return lists.sort((a, b) => b.length - a.length)[0]
}
