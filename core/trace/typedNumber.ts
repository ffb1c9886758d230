import { number } from 'yup'
import { decimal } from './decimal'

/**
 * A number as people type it, within bounds, both included: a decimal comma is a point, an empty text is `undefined`,
 * anything that is no number is refused in words that name it.
 * @param label what it is, as a sentence begins: "The start level"
 * @param unit as it stands behind a figure, its space included: " %"
 * @param read how the text is read: `grouped` of units so small that thousands are usual
 */
export const typedNumber = (label: string, low: number, high: number, unit = '', read = decimal) =>
  number()
    .transform((value: unknown, original: unknown) => {
      if (typeof original !== 'string') return value
      const plain = withoutUnit(original, unit)
      return plain === '' ? undefined : read(plain)
    })
    .typeError(`${label} must be a number.`)
    .min(low, `${label} must be at least ${written(low)}${unit}.`)
    .max(high, `${label} must be at most ${written(high)}${unit}.`)

const BEFORE_UNIT = /(?<=\d)\s+(?=(?:%|m?[VAW]h?)(?:[\s;,/@×x]|$))/gi
/** A line of figures with each unit joined to its own: "38 % 18.9 W" is "38% 18.9W". */
export const unitsJoined = (line: string): string => line.replace(BEFORE_UNIT, '')

/** Who reads "38 %" off a display may type it so; another unit than the field's own stays, and is refused. */
function withoutUnit(text: string, unit: string): string {
  const typed = text.trim()
  const own = unit.trim().toLowerCase()
  const isThere = own !== '' && typed.length > own.length && typed.toLowerCase().endsWith(own)
  return isThere ? typed.slice(0, -own.length).trim() : typed
}

/** A bound as a message says it, with a real minus sign. */
export const written = (bound: number): string => String(bound).replace('-', '−')

/** The same where it cannot be left out. */
export const neededNumber = (label: string, low: number, high: number, unit = '') =>
  typedNumber(label, low, high, unit).required(`Give ${label.charAt(0).toLowerCase()}${label.slice(1)}.`)

/** The same where it may be unknown: empty is null, never zero. */
export const optionalNumber = (label: string, low: number, high: number, unit = '', read = decimal) =>
  typedNumber(label, low, high, unit, read)
    .nullable()
    .transform((value: unknown) => value ?? null)
    .defined()
    .default(null)
