/**
 * Moments in words, each form of a date said once: in English, as all words here are, and in the reader's own time zone.
 * Arguments are ISO 8601 texts or ms since 1970.
 */
type Moment = string | number

/** Hours of a day as they are written: as the reader's machine has it, to 24, or twice to 12. */
export const HOUR_FORMS = ['auto', '24', '12'] as const
export type HourForm = (typeof HOUR_FORMS)[number]
let hourForm: HourForm = 'auto'
/** Sets how times of day are written from now on: a preference of the reader, the same for all screens. */
export const writeHours = (form: HourForm): void => void (hourForm = form)

/** What the reader's machine is set to; and that English which writes days as it does, where it is one. */
const machine = new Intl.DateTimeFormat(undefined, { hour: 'numeric' }).resolvedOptions()
const language = machine.locale.startsWith('en') ? machine.locale : 'en-GB'

/** Made once a form: making one takes a hundred times as long as using it, and a list has 500 days. */
const inForm = (form: Intl.DateTimeFormatOptions): ((at: Moment) => string) => {
  let format: Intl.DateTimeFormat | undefined
  return (at) => {
    const date = new Date(at)
    return Number.isNaN(date.getTime())
      ? 'no date'
      : (format ??= new Intl.DateTimeFormat(language, form)).format(date)
  }
}

/** "2 Mar" */
export const shortDay = inForm({ day: 'numeric', month: 'short' })

/** "Mon 2 Mar" */
export const dayInWeek = inForm({ weekday: 'short', day: 'numeric', month: 'short' })

/** "Monday 2 March" */
export const longDay = inForm({ weekday: 'long', day: 'numeric', month: 'long' })

/** "2 Mar 2026" */
export const fullDay = inForm({ day: 'numeric', month: 'short', year: 'numeric' })

const to24 = inForm({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
const to12 = inForm({ hour: 'numeric', minute: '2-digit', hourCycle: 'h12' })
const TIMES: Record<HourForm, (at: Moment) => string> = {
  auto: machine.hourCycle === 'h12' || machine.hourCycle === 'h11' ? to12 : to24,
  24: to24,
  12: to12,
}
/** "19:30", or "7:30 PM", as the reader prefers. */
export const timeOfDay = (at: Moment): string => TIMES[hourForm](at)

const weekday = inForm({ weekday: 'short' })
/** "Mon 19:30" */
export const weekdayAndTime = (at: Moment): string => `${weekday(at)} ${timeOfDay(at)}`

/** "2 Mar 2026, 19:30" */
export const dayAndTime = (at: Moment): string => `${fullDay(at)}, ${timeOfDay(at)}`

/** A run's moment; of one that is not dated, nobody knows it. */
export interface RunMoment {
  startedAt: string
  dated: boolean
}
/** A run's moment in one of the forms above, or that it has none. */
export const ofRun =
  (form: (at: Moment) => string) =>
  ({ startedAt, dated }: RunMoment): string =>
    dated ? form(startedAt) : 'not dated'

/** "2026-03-02T19:30", as a field for a day and a time takes it, in the reader's own time zone. */
export function localInput(at: Moment): string {
  const date = new Date(at)
  const two = (n: number) => String(n).padStart(2, '0')
  const day = `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
  return `${day}T${two(date.getHours())}:${two(date.getMinutes())}`
}

/**
 * A moment so many seconds later, ISO 8601; null where there is none.
 * @example movedBy('2026-03-02T19:00:00.000Z', 30) // '2026-03-02T19:00:30.000Z'
 */
export const movedBy = (moment: string | null, seconds: number): string | null =>
  moment === null ? null : new Date(Date.parse(moment) + 1000 * seconds).toISOString()
