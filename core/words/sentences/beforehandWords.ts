import type { Undecided, UndecidedGain } from '../../compare/beforehand'
import { duration, points } from '../figures'
import { list } from '../lists'

/** Who is set against whom: "A and B", or one group against another. */
export const againstEach = (a: readonly string[], b: readonly string[]): string =>
  a.length === 1 && b.length === 1 ? `${a[0]} and ${b[0]}` : `${list(a)} against ${list(b)}`

/** Those that are expected to come to the same. `by` says whether they are sources of one device, or devices. */
export const alikeWords = (names: readonly string[], by: 'device' | 'source'): string =>
  `${list(names)}: no difference is expected. ${by === 'device' ? 'The device takes no more, and no' : 'No'} number of runs helps.`

/** What a plan will not be able to tell, and what it would take. */
export function undecidedWords(u: Omit<Undecided, 'a' | 'b'>, who: string): string {
  const cures: Record<Undecided['cures'][number], string> = {
    watch: 'watch the display turn full',
    minute: 'check every minute near the end',
    repeats: Number.isFinite(u.repeatsNeeded)
      ? `make ${u.repeatsNeeded} runs of each`
      : 'make two more runs of each',
    'watch-and-repeats': `watch the display turn full, and make ${u.repeatsNeeded} runs of each`,
    'too-close': 'they lie too close: thirty runs of each would not do',
    'no-use': 'no number of runs helps: the device takes no more',
  }
  const what = u.cures.map((c) => cures[c]).join(', or ')
  return `${who}: ${duration(u.differenceS)} apart are expected, ${duration(u.limitS)} would be found. ${what.charAt(0).toUpperCase()}${what.slice(1)}.`
}

/** The same of gains at the end of a fixed time. */
export function undecidedGainWords(u: Omit<UndecidedGain, 'a' | 'b'>, who: string): string {
  const what = u.isSame
    ? 'No number of runs helps: the device takes no more.'
    : Number.isFinite(u.repeatsNeeded)
      ? `Make ${u.repeatsNeeded} runs of each.`
      : 'They lie too close: thirty runs of each would not do.'
  return `${who}: ${points(u.difference, 1)} apart are expected, ${points(u.limit, 1)} would be found. ${what}`
}
