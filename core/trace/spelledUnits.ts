/** Units of what is read as they are said, and the sign of each. */
const SAID: readonly [words: readonly string[], sign: string][] = [
  [['volts', 'volt'], 'V'],
  [['watts', 'watt'], 'W'],
  [['amperes', 'ampere', 'ampères', 'ampère', 'amps', 'amp'], 'A'],
  [['percent', 'pct', 'prozent', 'procent', 'pourcent', 'porciento', 'porcien', 'percento'], '%'],
  [['celsius'], '°C'],
  [['fahrenheit'], '°F'],
]
const SIGNS = new Map(SAID.flatMap(([words, sign]) => words.map((word) => [word, sign] as const)))
/** "Per cent" is written in two, too. */
const asWritten = (word: string): string => word.replace(/^(per|pour|por)/, '$1 ?')

/** A pattern's piece for a unit as a word, the longer before the shorter. */
export const SPELLED_UNIT = [...SIGNS.keys()]
  .sort((a, b) => b.length - a.length)
  .map(asWritten)
  .join('|')
const BEHIND_FIGURE = new RegExp(String.raw`(?<=\d\s*)(?:${SPELLED_UNIT})(?![\p{L}\d])`, 'giu')

/** The sign of a unit that is written as a word; any other as it stands. */
export const signOf = (unit: string): string => SIGNS.get(unit.toLowerCase().replace(/\s/g, '')) ?? unit

/**
 * A text with signs for the units that are said behind its figures.
 * @example withSigns('5 per cent at 18.1 watts') // '5 % at 18.1 W'
 */
export const withSigns = (text: string): string => text.replace(BEHIND_FIGURE, signOf)
