import { object, string } from 'yup'
import { scoreIn } from '../analysis/scores'
import { EVENTS, type EventKind } from '../protocol/events'

/** The kind of an event by its name; null where there is none of that name. */
export const eventKind = (name: string): EventKind | null => EVENTS.find(({ kind }) => kind === name) ?? null

/** Words that stand for an event of a kind, trimmed: a word or two at least, and of a benchmark with its score. */
export const eventText = (kind: string, longest: number) =>
  string()
    .trim()
    .required('Say it in a word or two.')
    .max(longest)
    .test(
      'score',
      'There is no number in it. Write it like Deck plans 1234 points.',
      (text) => kind !== 'score' || scoreIn({ t: 0, kind, text }) !== null,
    )

/** What a form asks where something happened; nothing where the kind says all. */
export const askedWords = (kind: string) => {
  const known = eventKind(kind)
  return known && 'asks' in known ? eventText(kind, 120) : string().trim().defined().default('')
}

/** The same as a form of its own. */
export const eventWordsSchema = (kind: string) => object({ words: askedWords(kind) })
