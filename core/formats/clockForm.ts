import { LONGEST_S } from '../trace/bounds'
import { number, object, string } from 'yup'
import { CHANNELS, channel, type Channel } from '../trace/channels'
import { typedNumber } from '../trace/typedNumber'
import { askedWords, eventText } from '../bench/eventWords'
import { EVENTS } from '../protocol/events'
import { exactClock } from '../words/figures'
import { parseClock } from './timeCell'

/** After the last reading something may still have happened, s. */
const AFTERWARDS_S = 3600
const WHY = 'Say why, so that it is known later.'

/** A time as a clock shows it, read in seconds, between two moments of the run. */
const clockBetween = (lowS: number, highS: number, said: string) =>
  number()
    .transform((_, typed: unknown) => parseClock(String(typed)))
    .typeError(said)
    .min(lowS, said)
    .max(highS, said)
    .required(said)

/** A record may begin so long after power-on, s. */
const LATE_S = 3600

/**
 * Where power-on stands in a record, on the record's own clock, s: "0:12:31" of a film; "-0:00:40" where its zero lies
 * 40 s after the switch. Undefined where nothing is typed.
 *
 * @param lastS the record's last reading
 */
export const powerOnSchema = (lastS: number) => {
  const said = `Write the time like 0:12:31, before the last reading at ${exactClock(lastS)}; or -0:00:40 where power came before the record’s zero.`
  return number()
    .transform((_, typed: unknown) => {
      const [, minus, time] = /^([-−]?)\s*(.*)$/.exec(String(typed ?? '').trim())!
      return time === '' && !minus ? undefined : (minus ? -1 : 1) * parseClock(time)
    })
    .typeError(said)
    .min(-LATE_S, said)
    .max(lastS, said)
    .test('before', said, (at) => at === undefined || at < lastS)
}

/** A moment to go to; anything past the end is the end. */
export const clockField = clockBetween(0, Infinity, 'Write the time like 0:12:30.')

/** Where a record goes on after another, on that one's clock; from its end on. */
export const goesOnSchema = (lowS: number) =>
  clockBetween(
    lowS,
    LONGEST_S,
    `Write the time like 1:00:00, from ${exactClock(lowS)} on, where the first one ends.`,
  )

const withinRun = (durationS: number) =>
  clockBetween(0, durationS + AFTERWARDS_S, 'Write the time like 0:12:30, within the run.')

/** An event of a kind as it is put right: its time as a clock shows it, and what happened. */
export const eventSchema = (durationS: number, kind: string) =>
  object({ time: withinRun(durationS), text: eventText(kind, 160) })

/** An event that is noted afterwards: what, when, and in words what its kind asks for. */
export const newEventSchema = (durationS: number) =>
  object({
    kind: string()
      .oneOf(EVENTS.map(({ kind }) => kind))
      .required(),
    time: withinRun(durationS),
    words: string().when('kind', ([kind]) => askedWords(String(kind))),
  })

/** The time of a reading as it is put right, between those of its neighbours (s; Infinity for the last). */
export const readingTimeSchema = (lowS: number, highS: number) =>
  object({
    time: clockBetween(
      lowS,
      Math.min(highS, lowS + 72 * 3600),
      Number.isFinite(highS)
        ? `Write a time between ${exactClock(lowS)} and ${exactClock(highS)}: readings keep their order.`
        : `Write a time from ${exactClock(lowS)} on: readings keep their order.`,
    ),
    why: string().trim().required(WHY).max(400),
  })

/** A reading that was forgotten: when, what was read, and why it comes only now. */
export const forgottenSchema = (durationS: number) =>
  object({
    time: withinRun(durationS),
    ...(Object.fromEntries(
      CHANNELS.map((c) => [c, typedNumber(channel(c).label, ...channel(c).bounds, ` ${channel(c).unit}`)]),
    ) as Record<Channel, ReturnType<typeof typedNumber>>),
    why: string().trim().required(WHY).max(400),
  }).test('something', 'Type at least one value.', (typed) => CHANNELS.some((c) => typed[c] !== undefined))

/** A stretch of a run, by its ends, and why it is left out. */
export const stretchSchema = (durationS: number) => {
  const end = () => withinRun(durationS)
  return object({
    from: end(),
    to: end().when('from', ([from], field) =>
      typeof from === 'number' ? field.min(from, 'The end comes after the beginning.') : field,
    ),
    why: string().trim().required(WHY).max(400),
  })
}
