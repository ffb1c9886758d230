/**
 * Moments in words, each form of a date said once, in the reader's own language and time zone.
 * Arguments are ISO 8601 texts or ms since 1970.
 */
type Moment = string | number

/** Made once a form: making one takes a hundred times as long as using it, and a list has 500 days. */
const inForm = (form: Intl.DateTimeFormatOptions): ((at: Moment) => string) => {
  let format: Intl.DateTimeFormat | undefined
  return (at) => {
    const date = new Date(at)
    return Number.isNaN(date.getTime())
      ? 'no date'
      : (format ??= new Intl.DateTimeFormat(undefined, form)).format(date)
  }
}

/** "2 Mar" */
export const shortDay = inForm({ day: 'numeric', month: 'short' })

/** "2 Mar 2026" */
export const fullDay = inForm({ day: 'numeric', month: 'short', year: 'numeric' })

/** "19:30" */
export const timeOfDay = inForm({ hour: '2-digit', minute: '2-digit' })

/** "2 Mar 2026, 19:30" */
export const dayAndTime = (at: Moment): string => `${fullDay(at)}, ${timeOfDay(at)}`

/** "2026-03-02T19:30", as a field for a day and a time takes it, in the reader's own time zone. */
export function localInput(at: Moment): string {
  const date = new Date(at)
  const two = (n: number) => String(n).padStart(2, '0')
  const day = `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
  return `${day}T${two(date.getHours())}:${two(date.getMinutes())}`
}
