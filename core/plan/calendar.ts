import ical from 'ical-generator'
import { duration } from '../words/figures'
import type { Campaign } from './campaign'
import { dayAndTime } from '../words/moments'
import { prepareFrom } from './jobs'
import type { Names } from './words'

/** A line break in a name must not become a line of the calendar. */
// eslint-disable-next-line no-control-regex
const oneLine = (text: string): string => text.replace(/[\u0000-\u001F\u007F\u2028\u2029]+/g, ' ')

/**
 * The timetable as iCalendar text (RFC 5545). Each run is an event whose id stays the same from export to export,
 * so that a calendar that reads the file again moves the events instead of doubling them.
 */
export function calendarOf(campaign: Campaign, names: Names, stamp: Date): string {
  const calendar = ical({
    name: oneLine(campaign.name),
    prodId: { company: 'inkpath-log', product: 'plan', language: 'EN' },
  })
  const prepareAt = prepareFrom(campaign)
  for (const planned of campaign.planned) {
    if (!planned.slot || planned.setAside !== null) continue
    const start = new Date(planned.slot.startsAt)
    calendar.createEvent({
      id: `${planned.id}@inkpath-log`,
      stamp,
      start,
      end: new Date(start.getTime() + planned.slot.chargeS * 1000),
      summary: oneLine(
        `${names.device(planned.deviceId)} from ${names.source(planned.sourceId)}, run ${planned.repeat}`,
      ),
      description: [
        `Protocol: ${oneLine(campaign.protocol.name)}.`,
        `Begin draining and resting, ${duration(planned.slot.prepS)} in all, at ${dayAndTime(prepareAt(planned.slot))}.`,
        'Do not leave a charge unattended.',
      ].join('\n'),
    })
  }
  return calendar.toString()
}
