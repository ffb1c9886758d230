/**
 * A number as people type it: a decimal comma is a point, a minus may be the typographer's, space around it is nothing.
 * NaN for anything else, an empty text included.
 * @example decimal(' −3,5 ') // -3.5
 */
export function decimal(text: string): number {
  const plain = text.trim().replace('−', '-').replace(',', '.')
  return /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : NaN
}
