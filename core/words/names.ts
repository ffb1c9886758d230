import { groups } from 'd3-array'
import { ofRun, shortDay, type RunMoment } from './moments'

/** How a set-up is called: by its device and its source; `undefined` where that has left the shelf. */
export const setupName = (device: string | undefined, source: string | undefined): string =>
  `${device ?? 'A deleted device'} from ${source ?? 'a deleted source'}`

/** The `nth` run of one set-up in a campaign, counted from 1. */
export const repeatName = (setup: string, nth: number): string => `${setup}, run ${nth}`

/** A run told from others of its set-up by its day, with what else one must know of it: "simulated", "spoilt". */
export const datedName = (setup: string, run: RunMoment, ...marks: (string | false)[]): string =>
  [setup, ofRun(shortDay)(run), ...marks.filter(Boolean)].join(', ')

/** A run among others, with the names of its gear where that is still on the shelf, and what else may tell it apart. */
export interface NamedRun {
  id: string
  device: string | undefined
  source: string | undefined
  fedFrom?: string
  cable?: string
  /** What else stood in the chain. */
  chain?: string
  unit?: string
  software?: string
  /** "health 88 %" */
  health?: string
  /** How the device was set. */
  state?: string
  /** Under which load it was. */
  load?: string
  /** Whether a charge model made it. */
  made?: string
  /** With how many others its source fed it. */
  beside?: string
  /** "2 Mar" */
  day?: string
}

/** What tells runs of one name apart, in this order. */
const ALSO = [
  'fedFrom',
  'cable',
  'chain',
  'unit',
  'software',
  'state',
  'load',
  'made',
  'beside',
  'health',
  'day',
] as const

/**
 * Only what tells runs apart: the source for one device, the device for one source; where those are alike, in brackets,
 * since names stand in lists, what feeds it, the cable, what else is in the chain, the unit, its software, how it was set,
 * under which load, with how many others, its battery’s health or the day, as far as they differ; at last a number. By id.
 *
 * @example "Hawser 30 (Long grey)"
 */
export function tellingNames(runs: readonly NamedRun[]): Record<string, string> {
  const oneDevice = new Set(runs.map((r) => r.device)).size === 1
  const oneSource = new Set(runs.map((r) => r.source)).size === 1
  const nameOf = ({ device = '?', source = '?' }: NamedRun): string =>
    oneDevice ? source : oneSource ? device : `${device}${BETWEEN}${source}`
  const named = groups(runs, nameOf).flatMap(([name, alike]) => toldApart(name, alike, ALSO))
  return Object.fromEntries(named)
}

/** What parts the names of a device and a source. */
const BETWEEN = ' · '

/**
 * What is left of a run's name in a frame whose title says a part of it; '' of one that is the title.
 *
 * @example nameWithin('Skerry P5 · Hawser 20 (Long grey)', 'Skerry P5') // 'Hawser 20 (Long grey)'
 */
export function nameWithin(name: string, title: string): string {
  if (title === '') return name
  if (name === title) return ''
  if (name.startsWith(title + BETWEEN)) return name.slice(title.length + BETWEEN.length)
  const [before, after] = name.split(BETWEEN + title)
  // Another whose name only begins so is not meant: "Hawser 20" is no "Hawser 2".
  return after === '' || after?.startsWith(' (') ? before + after : name
}

function toldApart(
  name: string,
  alike: readonly NamedRun[],
  by: readonly (typeof ALSO)[number][],
  also: readonly string[] = [],
): [id: string, name: string][] {
  const called = (...more: string[]) => {
    const known = [...also, ...more]
    return known.length > 0 ? `${name} (${known.join('; ')})` : name
  }
  if (alike.length === 1) return [[alike[0].id, called()]]
  const [first, ...rest] = by
  if (first === undefined) return alike.map(({ id }, i) => [id, i === 0 ? called() : called(String(i + 1))])
  const said = alike.map((r) => r[first] ?? '')
  const parts = groups(
    alike.map((run, i) => [run, first === 'state' ? ownItems(said)[i] : said[i]] as const),
    ([, words]) => words,
  )
  return parts.flatMap(([value, of]) =>
    toldApart(
      name,
      of.map(([run]) => run),
      rest,
      parts.length > 1 && value ? [...also, value] : also,
    ),
  )
}

/** The items of a list in words, in one order however they were typed: "asleep; flight mode on". */
export const itemsOf = (text: string): string[] =>
  text
    .split(/[;,]/)
    .map((item) => item.trim().toLowerCase())
    .filter(Boolean)
    .sort()

/** Of each list in words what the others do not all have. */
function ownItems(texts: readonly string[]): string[] {
  const lists = texts.map(itemsOf)
  return lists.map((list) => list.filter((item) => !lists.every((other) => other.includes(item))).join(', '))
}
