import { addDays, differenceInCalendarDays, format, parse } from 'date-fns'
import type { Campaign } from './campaign'
import { DATE } from './windows'

const WEEK = 7

/** By how many days a plan can be moved and still meet its free hours: by any where every day has the same ones. */
function stepOf({ week, daysOff }: Campaign['availability']): number {
  const alike = week.every((day) => JSON.stringify(day) === JSON.stringify(week[0]))
  return alike && daysOff.length === 0 ? 1 : WEEK
}

/**
 * A campaign moved so that everything still to be run lies after a day: by as few days as will do where every day has
 * the same free hours, else by whole weeks; hours and the order stay as they are. One that lies ahead already, or has
 * nothing left to run, is left alone.
 *
 * @param settled ids of planned runs that are made or set aside
 */
export function aheadOf(campaign: Campaign, today: Date, settled: ReadonlySet<string>): Campaign {
  const open = campaign.planned.filter((p) => p.slot && !settled.has(p.id))
  const starts = open.map((p) => new Date(p.slot!.startsAt))
  if (starts.length === 0) return campaign
  const first = starts.reduce((a, b) => (a < b ? a : b))
  const late = differenceInCalendarDays(today, first) + 1
  if (late <= 0) return campaign
  const step = stepOf(campaign.availability)
  const days = Math.ceil(late / step) * step
  const day = (text: string) => format(addDays(parse(text, DATE, today), days), DATE)
  const ids = new Set(open.map((p) => p.id))
  return {
    ...campaign,
    availability: {
      ...campaign.availability,
      // What is free before the first of them was free for those that are made.
      startDate: format(addDays(first, days), DATE),
      daysOff: campaign.availability.daysOff.map(day),
    },
    planned: campaign.planned.map((p) =>
      p.slot && ids.has(p.id)
        ? { ...p, slot: { ...p.slot, startsAt: addDays(new Date(p.slot.startsAt), days).toISOString() } }
        : p,
    ),
  }
}
