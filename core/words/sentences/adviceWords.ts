import type { Advice, AdviceOptions, Preference } from '../../compare/advice'
import type { LeadChange } from '../../compare/leads'
import type { Cause, Odd } from '../../compare/odd'
import type { Goal } from '../../compare/ranking'
import { duration, figure, points } from '../figures'
import { listSome, MOST_NAMED } from '../lists'
import { goalDifference } from './verdictSentence'

const PREFERRED: Record<Preference, string> = { cost: 'cheapest', weight: 'lightest', size: 'smallest' }

const ASKED: Record<Preference, string> = { cost: 'the price', weight: 'the weight', size: 'the size' }

/** What to keep or buy for a goal, in one or two sentences; '' where nothing can be said. */
export function choiceWords(
  goal: Goal,
  { choice, keep, known, turns }: Pick<Advice, 'choice' | 'keep' | 'known' | 'turns'>,
  names: readonly string[],
  prefer: Preference,
): string {
  if (choice === null) return ''
  const first = keep
    ? `You own ${names[choice]}: keep it.`
    : known === 'none'
      ? `${names[choice]} does as well as any; ${ASKED[prefer]} is not known.`
      : `${names[choice]} is the ${PREFERRED[prefer]} ${known === 'some' ? `of which ${ASKED[prefer]} is known, and does` : 'that does'} as well.`
  const then = turns
    ? ` If ${goalDifference(goal, turns.at)} did not matter to you, ${names[turns.to]} would do.`
    : ''
  return first + then
}

/** For whom which: a line a purpose, with its answer. */
export function purposeWords(
  advice: Advice,
  names: readonly string[],
  options: AdviceOptions & {
    atS: number
    topUpS: number
    gains: readonly number[]
    /** What prices are in; '' where nobody said. */
    currency?: string
  },
): { purpose: string; answer: string }[] {
  const { smallest } = advice.ladder
  const share = figure(100 * options.share, 0, '%')
  const [best] = advice.topUp
  const mostIn: Line = [
    `Most in ${duration(options.topUpS)} before leaving`,
    best === undefined ? null : `${groupWords(advice.topUp, names)}: ${points(options.gains[best])}`,
  ]
  const warmth: Line[] = [
    ['Coolest', groupWords(advice.coolest, names)],
    [
      `Cool enough for every day, below ${figure(options.warmC, 0, '°C')}`,
      everyDayWords(advice.everyDay, names),
    ],
  ]
  // Among devices there is nothing to pack, to pay or to keep.
  if (advice.scope !== 'gear') return answered([mostIn, ...warmth])
  return answered([
    [
      `Smallest to pack, within ${share} of the best after ${duration(options.atS)}`,
      smallest && `${names[smallest.index]}: ${points(smallest.gain)}`,
    ],
    [`Enough over a night of ${figure(options.nightHours, 0, 'h')}`, overnightWords(advice, names)],
    mostIn,
    [
      'Cheapest for each minute saved against what you own',
      advice.perMinute[0]
        ? `${names[advice.perMinute[0].index]}: ${figure(advice.perMinute[0].price, 2, options.currency)} a minute`
        : null,
    ],
    ['Lightest of those that do as well', advice.lightest === null ? null : names[advice.lightest]],
    ...warmth,
  ])
}

type Line = [purpose: string, answer: string | null]
const answered = (lines: readonly Line[]) =>
  lines.flatMap(([purpose, answer]) => (answer === null ? [] : [{ purpose, answer }]))

/** The best with all that can't be told from it; null of none. */
const groupWords = (group: readonly number[], names: readonly string[]): string | null =>
  group.length === 0
    ? null
    : listSome(group.map((i) => names[i])) + (group.length > 1 ? ', which can’t be told apart' : '')

/** What was never charged to the end may do, or not. */
function overnightWords(
  { overnight, timed }: Pick<Advice, 'overnight' | 'timed'>,
  names: readonly string[],
): string | null {
  if (overnight !== null) return names[overnight]
  return { all: 'none of these', some: 'none of those that were charged to the end', none: null }[timed]
}

function everyDayWords({ cool, warm }: Advice['everyDay'], names: readonly string[]): string | null {
  if (cool.length + warm.length === 0) return null
  const named = (of: readonly number[], others: readonly number[]) =>
    of.length > MOST_NAMED && others.length <= MOST_NAMED ? 'all others' : listSome(of.map((i) => names[i]))
  if (warm.length === 0) return 'all that were measured'
  return cool.length === 0
    ? 'none that was measured'
    : `${named(cool, warm)}; ${named(warm, cool)} in a pinch`
}

const CAUSES: Record<Cause, string> = {
  heat: 'heat',
  chance: 'chance: repeat it',
  cable: 'a cable that carries less',
  protocol: 'a protocol that the two do not share',
  position: 'how it lay on the pad',
  load: 'a load on the device',
  curve: 'the full run behind the forecast was slowed itself',
  background: 'something running on the device',
}

/** An odd result with its likely causes, the likeliest first. */
export function oddWords({ kind, index, than, by, causes }: Odd, names: readonly string[]): string {
  const likely = `Likely, in this order: ${causes.map((c) => CAUSES[c]).join('; ')}.`
  switch (kind) {
    case 'bigger-slower':
      return `${names[index]} is bigger than ${names[than ?? 0]} and ${duration(by)} later to full. ${likely}`
    case 'repeats-disagree':
      return `The repeats of ${names[index]} lie ${duration(by)} apart, more than runs usually do. ${likely}`
    case 'unlike-forecast':
      return `${names[index]} came ${figure(100 * Math.abs(by), 0, '%')} ${by > 0 ? 'later' : 'sooner'} than a full run on another source lets expect. ${likely}`
    case 'pad-position':
      return `A run on ${names[index]} stood still while it lay there. ${likely}`
  }
}

/** Where a lead did not last. */
export function leadWords({ early, late, fromS, toS }: LeadChange, names: readonly string[]): string {
  const between = `between ${duration(fromS)} and ${duration(toS)}`
  return late === null
    ? `The lead of ${names[early]} is gone ${between}.`
    : `${names[early]} leads first; ${names[late]} overtakes it ${between}.`
}
