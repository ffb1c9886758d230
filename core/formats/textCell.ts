/** What a spreadsheet would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/
/** The same behind apostrophes: it gets one more, so that it comes back with those it had. */
const GUARDED = /^'+[=+\-@\t\r]/

/**
 * A text cell as it is written: one that a spreadsheet would run as a formula begins with an apostrophe instead.
 * {@link unguardCell} takes it off again.
 * @example guardCell('=1+1') // "'=1+1"
 */
export const guardCell = (text: string): string =>
  FORMULA.test(text) || GUARDED.test(text) ? `'${text}` : text

/** A text cell as it was meant. */
export const unguardCell = (text: string): string => (GUARDED.test(text) ? text.slice(1) : text)
