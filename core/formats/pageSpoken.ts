import { ToWords } from 'to-words/en-US'
import { howWritten } from '../words/figures'
import type { Page } from '../words/page'

const words = new ToWords()
const whole = (n: number): string => words.convert(n).toLowerCase()
/** A decimal is said figure by figure: "zero point four one five". */
export function spokenNumber(text: string): string {
  const [before, after = ''] = text.replace(',', '.').split('.')
  const said = whole(Number(before))
  return after ? `${said} point ${[...after].map((d) => whole(Number(d))).join(' ')}` : said
}

const UNITS: [RegExp, one: string, many: string][] = [
  [/^h\b/, 'hour', 'hours'],
  [/^min\b/, 'minute', 'minutes'],
  [/^s\b/, 'second', 'seconds'],
  [/^Wh\b/, 'watt-hour', 'watt-hours'],
  [/^Ah\b/, 'ampere-hour', 'ampere-hours'],
  [/^W\b/, 'watt', 'watts'],
  [/^V\b/, 'volt', 'volts'],
  [/^A\b/, 'ampere', 'amperes'],
  [/^°C/, 'degree Celsius', 'degrees Celsius'],
  [/^°F/, 'degree Fahrenheit', 'degrees Fahrenheit'],
  [/^%/, 'percent', 'percent'],
  [/^×/, 'times', 'times'],
]
/** A comma parts decimals only where the reader writes so: elsewhere it may part thousands. */
const numbers = () =>
  new RegExp(
    String.raw`([−-])?(\d+(?:[${howWritten().comma ? '.,' : '.'}]\d+)?)\s?(h|min|s|Wh|Ah|W|V|A|°C|°F|%|×)?(?![\w])`,
    'g',
  )

/** A sentence with every number as it is said; a number within a name stays as it is read: "Hawser thirty". */
export const spoken = (text: string): string =>
  text
    .replace(/\u00A0/g, ' ')
    .replace(/±/g, 'plus or minus')
    .replace(numbers(), (_, minus: string | undefined, number: string, unit: string | undefined) => {
      const said = (minus ? 'minus ' : '') + spokenNumber(number)
      const found = unit && UNITS.find(([pattern]) => pattern.test(unit))
      return found ? `${said} ${Number(number.replace(',', '.')) === 1 ? found[1] : found[2]}` : said
    })

/** A page as a script: what stands in sentences and lists, a line each; tables are for the eye. */
export const pageSpoken = (page: Page): string =>
  [
    page.title,
    ...(page.simulated ? ['What follows was simulated.'] : []),
    ...page.blocks.flatMap((b) => [
      ...b.paragraphs,
      ...(b.markdown ? b.markdown.split('\n').map((l) => l.replace(/[*_#>`]/g, '').replace(/^\s*-\s/, '').trim()) : []),
      ...b.list,
    ]),
  ]
    .filter(Boolean)
    .map(spoken)
    .join('\n\n') + '\n' // prettier-ignore
