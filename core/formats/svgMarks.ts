/** Text as it may stand in markup. */
export const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`)
/** A figure to a hundredth: a picture needs no more. */
export const fixed = (n: number): string => String(Math.round(n * 100) / 100)

export const label = (
  x: number,
  y: number,
  text: string,
  fill: string,
  anchor = 'start',
  size = 13,
  weight = 400,
) =>
  `<text x="${fixed(x)}" y="${fixed(y)}" fill="${escaped(fill)}" font-size="${size}" font-weight="${weight}" text-anchor="${anchor}">${escaped(text)}</text>`
export const line = (x1: number, y1: number, x2: number, y2: number, colour: string, more = '') =>
  `<line x1="${fixed(x1)}" y1="${fixed(y1)}" x2="${fixed(x2)}" y2="${fixed(y2)}" stroke="${escaped(colour)}"${more}/>`

/** Of a size of one, a letter of a broad text face is about so wide, and a bold one: nothing measures letters here. */
const LETTER = { plain: 0.55, bold: 0.61 }
export type Weight = keyof typeof LETTER
/** About how wide a text is drawn at most, px. */
export const widthOf = (text: string, size: number, weight: Weight = 'plain'): number =>
  text.length * size * LETTER[weight]

/** Of a text that is cut, so much of what stays is its beginning: names are told apart by either end. */
const BEGINNING = 0.6

/** A text that takes no more than so many px: cut in its middle where it would. */
export function fitted(text: string, px: number, size: number, weight: Weight = 'plain'): string {
  if (widthOf(text, size, weight) <= px) return text
  const letters = Math.max(1, Math.floor(px / (size * LETTER[weight])) - 1)
  const first = Math.ceil(letters * BEGINNING)
  return `${text.slice(0, first)}…${text.slice(text.length - (letters - first))}`
}
