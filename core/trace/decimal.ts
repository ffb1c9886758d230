/**
 * A number as people type it: a decimal comma is a point, a minus may be the typographer's, space around it is nothing.
 * NaN for anything else, an empty text included.
 * @example decimal(' −3,5 ') // -3.5
 */
export function decimal(text: string): number {
  if (isPlain(text)) return Number(text)
  const plain = text.trim().replace('−', '-').replace(',', '.')
  return /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : NaN
}

/**
 * Whether a text is made of what a plain number is made of: it then is one, or none in any notation. Nearly every cell
 * of a meter's file is, and a million of them are read without a search for commas.
 */
export function isPlain(text: string): boolean {
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    const belongs = (c >= 48 && c <= 57) || c === 46 || c === 45 || c === 43 || c === 101 || c === 69
    if (!belongs) return false
  }
  return text.length > 0
}
