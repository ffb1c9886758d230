import { isValid, parseISO } from 'date-fns'

/** A time on the wall, like 18:30. */
export const TIME = /^([01]?\d|2[0-3]):[0-5]\d$/

const DAY = /^(\d{4})-(\d{1,2})-(\d{1,2})$/

/**
 * The beginning of a local day written as `2026-03-02`; null where there is no such day.
 *
 * `parseISO` and not `parse`: the schemas come with the first paint, and `parse` and `format` are four times as heavy.
 */
export function dateOf(text: string): Date | null {
  const parts = DAY.exec(text)
  if (!parts) return null
  const [year, month, day] = parts.slice(1).map((part) => part.padStart(2, '0'))
  const date = parseISO(`${year}-${month}-${day}`)
  return isValid(date) ? date : null
}
