import { format } from 'date-fns'
import { expect, it } from 'vitest'
import { aheadOf } from './ahead'
import { usualMeans, type Campaign, type PlannedRun } from './campaign'
import { eveningsOnly } from './windows'
import { SCHOOLS } from '../protocol/schools'

/** A moment by the clock on the wall, wherever that hangs: `2026-03-02T19:00`. */
const at = (wall: string) => new Date(wall).toISOString()
const planned = (id: string, startsAt: string | null): PlannedRun => ({
  id, deviceId: 'p', sourceId: 's', cableId: null, repeat: 1, pinned: false, setAside: null,
  slot: startsAt === null ? null : { startsAt, chargeS: 3600, prepS: 0, unit: 0, lane: 0 },
}) // prettier-ignore
const campaign: Campaign = {
  id: 'c', name: 'C', questionId: 'q', protocol: SCHOOLS[0], pairs: [], means: usualMeans(), putBack: [],
  createdAt: '2026-03-01T12:00:00.000Z',
  availability: { startDate: '2026-03-02', week: eveningsOnly(), daysOff: ['2026-03-05'] },
  planned: [planned('done', at('2026-03-02T19:00')), planned('a', at('2026-03-03T19:00')), planned('b', at('2026-03-04T20:00')), planned('c', null)],
} // prettier-ignore
const starts = (c: Campaign) => c.planned.map((p) => p.slot && format(p.slot.startsAt, 'yyyy-MM-dd'))

it('moves what is still to be run past a day, by whole weeks, and what is made stays', () => {
  const moved = aheadOf(campaign, new Date('2026-11-25T12:00'), new Set(['done']))
  expect(starts(moved)).toEqual(['2026-03-02', '2026-12-01', '2026-12-02', null])
  expect(new Date(moved.planned[1].slot!.startsAt).getDay()).toBe(new Date('2026-03-03T19:00').getDay())
  expect(moved.availability).toMatchObject({ startDate: '2026-12-01', daysOff: ['2026-12-03'] })
  // On the very day it would still be under way: the next week it is.
  expect(starts(aheadOf(campaign, new Date('2026-03-03T12:00'), new Set(['done'])))[1]).toBe('2026-03-10')
})

it('moves to the very next day where every day has the same free hours', () => {
  const everyDay = { ...campaign, availability: { ...campaign.availability, daysOff: [] } }
  const moved = aheadOf(everyDay, new Date('2026-11-25T12:00'), new Set(['done']))
  expect(starts(moved)).toEqual(['2026-03-02', '2026-11-26', '2026-11-27', null])
  const weekends = {
    ...everyDay.availability,
    week: everyDay.availability.week.map((d, i) => (i > 4 ? d : null)),
  }
  const kept = aheadOf(
    { ...everyDay, availability: weekends },
    new Date('2026-11-25T12:00'),
    new Set(['done']),
  )
  expect(starts(kept)[1]).toBe('2026-12-01')
})

it('leaves alone what lies ahead, or has nothing left to run', () => {
  expect(aheadOf(campaign, new Date('2026-02-20T12:00'), new Set())).toBe(campaign)
  expect(aheadOf(campaign, new Date('2026-11-25T12:00'), new Set(['done', 'a', 'b']))).toBe(campaign)
})
