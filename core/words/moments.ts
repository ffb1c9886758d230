/**
 * Moments in words, each form of a date said once, in the reader's own language and time zone.
 * Arguments are ISO 8601 texts or ms since 1970.
 */
type Moment = string | number

/** "2 Mar" */
export const shortDay = (at: Moment): string =>
  new Date(at).toLocaleDateString(undefined, { day: 'numeric', month: 'short' })

/** "2 Mar 2026" */
export const fullDay = (at: Moment): string =>
  new Date(at).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })

/** "19:30" */
export const timeOfDay = (at: Moment): string =>
  new Date(at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })

/** "2 Mar 2026, 19:30" */
export const dayAndTime = (at: Moment): string => `${fullDay(at)}, ${timeOfDay(at)}`
