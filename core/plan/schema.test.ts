import { describe, expect, it } from 'vitest'
import { faultOf } from '../trace/fault.fixture'
import { SCHOOLS } from '../protocol/schools'
import { usualMeans, type Campaign } from './campaign'
import { campaignSchema, freeHoursSchema, meansSchema, moveSchema, pairSchema } from './schema'
import { eveningsOnly } from './windows'

const slot = { startsAt: '2026-03-02T18:30:00.000Z', chargeS: 3600, prepS: 0, unit: 0, lane: 0 }
const planned = { id: 'p', deviceId: 'd', sourceId: 's', cableId: null, repeat: 1, slot, pinned: false, setAside: null } // prettier-ignore
const campaign: Campaign = {
  id: 'c',
  name: 'Which go on board?',
  questionId: 'many-sources',
  protocol: SCHOOLS[0],
  pairs: [{ deviceId: 'd', sourceId: 's', cableId: null, repeats: 2 }],
  availability: { startDate: '2026-03-02', week: eveningsOnly(), daysOff: ['2026-03-05'] },
  means: { ...usualMeans(), units: { d: 2 }, drainHours: { d: 1.5 } },
  planned: [planned],
  putBack: [],
  createdAt: '2026-03-01T12:00:00.000Z',
}
const means = (over: object) => faultOf(meansSchema, { ...usualMeans(), ...over })
const whole = (over: object) => faultOf(campaignSchema, { ...campaign, ...over })

describe('free hours', () => {
  it.each([
    [{ from: '18:30', to: '22:30' }, ''],
    [{ from: '0:00', to: '23:59' }, ''],
    [{ from: '22:00', to: '1:00' }, ''],
    [{ from: '', to: '22:30' }, 'Give the time it begins.'],
    [{ from: '18:30', to: '' }, 'Give the time it ends.'],
    [{ from: '24:00', to: '22:30' }, 'Write the time like 18:30.'],
    [{ from: '18:30', to: '22.30' }, 'Write the time like 22:30.'],
    [{ from: '18:30', to: '18:30' }, 'The end must differ from the beginning.'],
  ])('%o', (hours, fault) => expect(faultOf(freeHoursSchema, hours)).toBe(fault))
})

it('a move names a day; its time may be left out', () => {
  expect(faultOf(moveSchema, { day: 1, time: '' })).toBe('')
  expect(faultOf(moveSchema, { day: 1, time: ' 19:30 ' })).toBe('')
  expect(faultOf(moveSchema, { day: 1, time: 'late' })).toBe('Write the time like 19:30, or leave it empty.')
  expect(faultOf(moveSchema, { time: '' })).not.toBe('')
})

describe('means of a bench', () => {
  it.each<[object, RegExp | '']>([
    [{ meters: 0, lanes: 1, setupMinutes: 0, marginPercent: 0, seed: 1 }, ''],
    [{ meters: 16, lanes: 8, setupMinutes: 240, marginPercent: 100, seed: 2_000_000_000 }, ''],
    [{ meters: -1 }, /number of meters must be at least 0/],
    [{ meters: 17 }, /number of meters must be at most 16/],
    [{ meters: 1.5 }, /number of meters must be a whole number/],
    [{ lanes: 0 }, /number of lanes must be at least 1/],
    [{ lanes: 9 }, /number of lanes must be at most 8/],
    [{ setupMinutes: 241 }, /Minutes to rig a run must be at most 240/],
    [{ setupMinutes: -1 }, /Minutes to rig a run must be at least 0/],
    [{ marginPercent: 101 }, /share kept in hand must be at most 100 %/],
    [{ seed: 0 }, /seed must be at least 1/],
    [{ seed: 2_000_000_001 }, /seed must be at most/],
    [{ units: { d: 1 } }, ''],
    [{ units: { d: 20 } }, ''],
    [{ units: { d: 0 } }, /number of units must be at least 1/],
    [{ units: { d: 21 } }, /number of units must be at most 20/],
    [{ units: { d: 1.5 } }, /number of units must be a whole number/],
    [{ units: { '': 1 } }, /cannot be read/],
    [{ drainHours: { d: 0.5 } }, ''],
    [{ drainHours: { d: 48.5 } }, /Hours to drain must be at most 48/],
    [{ drainHours: { d: -0.5 } }, /Hours to drain must be at least 0/],
  ])('%o', (over, fault) =>
    fault === '' ? expect(means(over)).toBe('') : expect(means(over)).toMatch(fault),
  )

  it('takes what older campaigns did not say for what was usual then', () => {
    const { sharePorts, drainAttended, sideBySide, ...older } = usualMeans()
    expect([sharePorts, drainAttended, sideBySide]).toEqual([false, false, true])
    expect(meansSchema.validateSync(older)).toEqual(usualMeans())
  })

  it('refuses more ids than anybody has', () => {
    const many = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`d${i}`, 1]))
    expect(means({ units: many(5001) })).toMatch(/cannot be read/)
  })
})

it('a pair is run once to twenty times', () => {
  const pair = { deviceId: 'd', sourceId: 's', cableId: null }
  for (const repeats of [1, 20]) expect(faultOf(pairSchema, { ...pair, repeats })).toBe('')
  for (const repeats of [0, 21, 1.5])
    expect(faultOf(pairSchema, { ...pair, repeats })).toMatch(/^Repeats must/)
  expect(faultOf(pairSchema, { ...pair, deviceId: '', repeats: 1 })).not.toBe('')
})

describe('a campaign', () => {
  it('holds as it is, and comes back as it was', () => {
    expect(campaignSchema.validateSync(campaign)).toEqual(campaign)
  })

  it.each<[object, RegExp]>([
    [{ name: '  ' }, /Give the campaign a name/],
    [{ name: 'x'.repeat(121) }, /Keep the name under 120 characters/],
    [{ questionId: '' }, /is missing/],
    [{ questionId: 'x'.repeat(101) }, /100/],
    [{ createdAt: 'once' }, /is not a moment/],
    [{ availability: { ...campaign.availability, startDate: '' } }, /Give a date/],
    [{ availability: { ...campaign.availability, startDate: '2026-02-30' } }, /Write the date like 2026-03-02/],
    [{ availability: { ...campaign.availability, daysOff: ['soon'] } }, /Write the date like 2026-03-02/],
    [{ availability: { ...campaign.availability, daysOff: Array(1001).fill('2026-03-02') } }, /1000/],
    [{ availability: { ...campaign.availability, week: Array(7).fill(null) } }, /Mark at least one day with free hours/],
    [{ availability: { ...campaign.availability, week: Array(6).fill({ from: '18:30', to: '22:30' }) } }, /7/],
    [{ availability: { ...campaign.availability, week: [{ from: '18:30', to: '22:30', also: Array(9).fill({ from: '6:00', to: '7:00' }) }, ...Array(6).fill(null)] } }, /8/],
    [{ pairs: Array(2001).fill(campaign.pairs[0]) }, /2000/],
    [{ planned: [{ ...planned, repeat: 0 }] }, /must lie between 1 and 1000/],
    [{ planned: [{ ...planned, repeat: 1.5 }] }, /integer/],
    [{ planned: [{ ...planned, setAside: 'x'.repeat(401) }] }, /400/],
    [{ planned: [{ ...planned, slot: { ...slot, chargeS: 0 } }] }, /must lie between 1 and 2592000/],
    [{ planned: [{ ...planned, slot: { ...slot, prepS: -1 } }] }, /must lie between 0 and 2592000/],
    [{ planned: [{ ...planned, slot: { ...slot, unit: 101 } }] }, /must lie between 0 and 100/],
    [{ planned: [{ ...planned, slot: { ...slot, lane: 0.5 } }] }, /integer/],
    [{ planned: [{ ...planned, slot: { ...slot, startsAt: 'then' } }] }, /is not a moment/],
  ])('%#', (over, fault) => expect(whole(over)).toMatch(fault)) // prettier-ignore

  it('may have several spans a day, and takes what is not said for none', () => {
    const also = [{ from: '6:00', to: '7:00' }]
    const week = [{ from: '18:30', to: '22:30', also }, ...Array<null>(6).fill(null)]
    expect(whole({ availability: { ...campaign.availability, week } })).toBe('')
    const { pairs: _, planned: __, putBack: ___, ...bare } = campaign
    expect(campaignSchema.validateSync(bare)).toMatchObject({ pairs: [], planned: [], putBack: [] })
    expect(whole({ name: 'x'.repeat(120) })).toBe('')
  })
})
