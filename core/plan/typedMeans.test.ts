import { expect, it } from 'vitest'
import type { ValidationError } from 'yup'
import { campaignSchema } from './schema'
import { closeMeans, meansField, openMeans } from './typedMeans'
import { SCHOOLS } from '../protocol/schools'
import { usualMeans, type Campaign } from './campaign'
import { eveningsOnly } from './windows'

const campaign: Campaign = {
  id: 'c',
  name: 'Which goes on board?',
  questionId: 'many-sources',
  protocol: SCHOOLS[0],
  pairs: [],
  availability: { startDate: '2026-03-02', week: eveningsOnly(), daysOff: ['2026-03-04'] },
  means: { ...usualMeans(), units: { phone: 2, other: 3 }, drainHours: { other: 6.5 } },
  planned: [],
  putBack: [],
  createdAt: '2026-03-01T12:00:00.000Z',
}

it('opens and closes without changing anything, of devices out of sight neither', () => {
  const closed = closeMeans(campaign, openMeans(campaign, ['phone', 'tablet']))
  expect(campaignSchema.validateSync(closed)).toEqual({
    ...campaign,
    means: { ...campaign.means, units: { phone: 2, tablet: 1, other: 3 } },
  })
})

it('puts a fault under the field in which it was typed', () => {
  const typed = openMeans(campaign, ['phone', 'tablet'])
  typed.days[0] = { on: true, from: '7 o’clock', to: '22:30', also: '' }
  typed.days[1].also = 'at noon'
  typed.daysOff = '2026-03-14, soon'
  typed.meters = '1.5'
  typed.devices[1].drainHours = '99'
  let faults: string[] = []
  try {
    campaignSchema.validateSync(closeMeans(campaign, typed), { abortEarly: false })
  } catch (error) {
    faults = (error as ValidationError).inner.map((e) => meansField(typed, e.path ?? ''))
  }
  expect(new Set(faults)).toEqual(
    new Set(['days[0].from', 'days[1].also', 'daysOff', 'meters', 'devices[1].drainHours']),
  )
  expect(meansField(typed, 'availability.week')).toBe('')
})

it('takes several spans a day, with any dash, and gives them back as they are', () => {
  const typed = openMeans(campaign, [])
  typed.days[2].also = '6:30 - 7:45; 12:00–13:00'
  const closed = campaignSchema.validateSync(closeMeans(campaign, typed)) as unknown as Campaign
  const spans = [
    { from: '6:30', to: '7:45' },
    { from: '12:00', to: '13:00' },
  ]
  expect(closed.availability.week[2]).toEqual({ from: '18:30', to: '22:30', also: spans })
  expect(openMeans(closed, []).days[2].also).toBe('6:30–7:45, 12:00–13:00')
  expect(closed.availability.week[3]).toEqual({ from: '18:30', to: '22:30' })
})

it('takes days off apart by commas, semicolons and spaces, and leaves what is left empty to what is usual', () => {
  const typed = openMeans(campaign, ['phone', 'tablet'])
  typed.daysOff = ' 2026-03-04,2026-03-07 ; 2026-03-09\n'
  typed.devices[0] = { ...typed.devices[0], units: ' ', drainHours: '4.5' }
  const closed = campaignSchema.validateSync(closeMeans(campaign, typed)) as unknown as Campaign
  expect(closed.availability.daysOff).toEqual(['2026-03-04', '2026-03-07', '2026-03-09'])
  expect(closed.means.units).toEqual({ tablet: 1, other: 3 })
  expect(closed.means.drainHours).toEqual({ phone: 4.5, other: 6.5 })
})
