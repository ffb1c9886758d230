/**
 * A number as people type it: a decimal comma is a point, a minus may be the typographer's, space around it is nothing.
 * NaN for anything else, an empty text included.
 * @example decimal(' −3,5 ') // -3.5
 */
export function decimal(text: string): number {
  const short = shortNumber(text)
  if (!Number.isNaN(short)) return short
  if (isPlain(text)) return Number(text)
  const plain = text.trim().replace('−', '-').replace(',', '.')
  return /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : NaN
}

/** A group of thousands and those that follow, apart by one sign; behind them tenths, after another. */
const GROUPED = /^[+\-−]?[1-9]\d{0,2}([.,'’ \u00a0\u2009\u202f])\d{3}(?:\1\d{3})*(?:(?!\1)[.,]\d+)?$/

/**
 * The same of a unit so small that nobody writes three decimals of it, as mAh or g: "4,200" is four thousand and more. In
 * volts or watts it would be a little over four.
 * @example grouped('4,200') // 4200
 * @example grouped('12,5') // 12.5
 */
export function grouped(text: string): number {
  const [, sign] = GROUPED.exec(text.trim()) ?? []
  return decimal(sign === undefined ? text : text.trim().replaceAll(sign, ''))
}

/** So many digits are a whole number below 2⁵³. */
const EXACT_DIGITS = 15
const POWERS = Array.from({ length: EXACT_DIGITS + 1 }, (_, i) => 10 ** i)

/**
 * A number of up to 15 digits, with at most a minus before and a point among them; NaN for any other text, numbers in
 * another notation included. It is `Number`'s to the last bit, in a fraction of the time: such digits and such a power of
 * ten have no rounding of their own, so that their quotient is the nearest double there is (Clinger 1990, *How to read
 * floating point numbers accurately*, from memory).
 * @example shortNumber('-3.5') // -3.5
 * @example shortNumber('1e3') // NaN
 */
export function shortNumber(text: string): number {
  const from = text.charCodeAt(0) === MINUS ? 1 : 0
  let value = 0
  let digits = 0
  let point = -1
  for (let i = from; i < text.length; i++) {
    const c = text.charCodeAt(i)
    if (c >= ZERO && c < ZERO + 10) {
      value = value * 10 + (c - ZERO)
      digits++
    } else if (c === POINT && point < 0) point = i
    else return NaN
  }
  if (digits === 0 || digits > EXACT_DIGITS) return NaN
  const size = point < 0 ? value : value / POWERS[text.length - 1 - point]
  return from > 0 ? -size : size
}
const [MINUS, POINT, ZERO] = ['-', '.', '0'].map((sign) => sign.charCodeAt(0))

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
