import { addDays, format, set, startOfMinute } from 'date-fns'
import { dateOf } from './dates'
import type { Window } from './timetable'

/** Free hours of one weekday, local time: "18:30" to "22:30". An end at or before the start is past midnight. */
export interface FreeHours {
  from: string
  to: string
}
/** A day's free hours: one span, and others besides it where the day has several. */
export interface FreeDay extends FreeHours {
  also?: FreeHours[]
}

/** When the reviewer can sit at the bench. Weekdays from Monday; null is a day without. */
export interface Availability {
  /** Local date, yyyy-MM-dd. */
  startDate: string
  week: (FreeDay | null)[]
  /** Local dates without, yyyy-MM-dd. */
  daysOff: string[]
}

/** Days as a week of free hours counts them, Monday first. */
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
/** A date as campaigns keep it, in the format of date-fns. */
export const DATE = 'yyyy-MM-dd'

/** Two years of evenings: a campaign that needs more has been asked too much. */
const HORIZON_DAYS = 730

/** The free windows from the start date (or `notBefore`, if that is later) on, in the local time zone. */
export function windowsOf(availability: Availability, notBefore?: Date): Window[] {
  const first = dateOf(availability.startDate)
  if (!first) return []
  const off = new Set(availability.daysOff)
  const windows: Window[] = []
  for (let i = 0; i < HORIZON_DAYS; i++) {
    const day = addDays(first, i)
    const label = format(day, DATE)
    const hours = availability.week[(day.getDay() + 6) % 7]
    if (!hours || off.has(label)) continue
    for (const span of [hours, ...(hours.also ?? [])]) {
      const start = at(day, span.from)
      const end = at(day, span.to)
      const endsOn = end <= start ? at(addDays(day, 1), span.to) : end
      const from = notBefore && notBefore > start ? notBefore : start
      if (from < endsOn) windows.push({ startS: seconds(from), endS: seconds(endsOn), day: label })
    }
  }
  return inOrder(windows)
}

/** By their beginning; what touches or overlaps is one stretch, of the day on which it begins. */
function inOrder(windows: readonly Window[]): Window[] {
  const merged: Window[] = []
  for (const window of [...windows].sort((a, b) => a.startS - b.startS)) {
    const last = merged.at(-1)
    if (last && window.startS <= last.endS) last.endS = Math.max(last.endS, window.endS)
    else merged.push({ ...window })
  }
  return merged
}

/** Wall time on a day: daylight saving moves it as it moves the clock on the wall. */
function at(day: Date, time: string): Date {
  const [hours, minutes] = time.split(':').map(Number)
  return set(day, { hours, minutes, seconds: 0, milliseconds: 0 })
}

/** A time on the wall within a stretch of free hours, s since 1970; before its opening, it is the night after. */
export function momentIn(window: Pick<Window, 'startS'>, time: string): number {
  const opens = new Date(window.startS * 1000)
  const moment = at(opens, time)
  return seconds(moment < startOfMinute(opens) ? at(addDays(opens, 1), time) : moment)
}

const seconds = (date: Date): number => date.getTime() / 1000

/** Weekday evenings from half past six, weekends from ten: a usual life. */
export const usualWeek = (): (FreeHours | null)[] => [
  ...Array.from({ length: 5 }, () => ({ from: '18:30', to: '22:30' })),
  { from: '10:00', to: '22:00' },
  { from: '10:00', to: '22:00' },
]
/** Free hours on the evenings from Monday to Friday. */
export const eveningsOnly = (): (FreeHours | null)[] =>
  Array.from({ length: 7 }, () => ({ from: '18:30', to: '22:30' }))
/** Free hours at the weekend only. */
export const weekendsOnly = (): (FreeHours | null)[] =>
  Array.from({ length: 7 }, (_, i) => (i > 4 ? { from: '10:00', to: '22:00' } : null))
