import { expect, it } from 'vitest'
import type { Campaign, Slot } from './campaign'
import { prepareFrom } from './jobs'
import { AT_ANY_HOUR, whileSomebodyIsThere } from './preparation'

const HOUR = 3600
const evening = (day: number) => ({
  startS: (24 * day + 18) * HOUR,
  endS: (24 * day + 22) * HOUR,
  day: `${day}`,
})
const { readyAt, beginBy } = whileSomebodyIsThere([evening(0), evening(1), evening(3)])
const at = (day: number, hour: number) => (24 * day + hour) * HOUR

it('drains at any hour, or through as many evenings as it takes', () => {
  expect(AT_ANY_HOUR.readyAt(at(0, 20), 6 * HOUR)).toBe(at(1, 2))
  expect(readyAt(at(0, 20), HOUR)).toBe(at(0, 21))
  expect(readyAt(at(0, 20), 2 * HOUR)).toBe(at(0, 22))
  // Two hours on the first evening, four on the next, and one two days later.
  expect(readyAt(at(0, 20), 7 * HOUR)).toBe(at(3, 19))
  expect(readyAt(at(0, 9), HOUR)).toBe(at(0, 19))
  expect(readyAt(at(0, 23), HOUR)).toBe(at(1, 19))
  expect(readyAt(at(0, 23), 0)).toBe(at(0, 23))
  expect(readyAt(at(3, 20), 3 * HOUR)).toBe(Infinity)
})

it('begins so that it is just ready, and says where there was no time', () => {
  expect(AT_ANY_HOUR.beginBy(at(0, 20), 6 * HOUR)).toBe(at(0, 14))
  expect(beginBy(at(1, 20), HOUR)).toBe(at(1, 19))
  expect(beginBy(at(1, 20), 3 * HOUR)).toBe(at(0, 21))
  expect(beginBy(at(1, 20), 6 * HOUR)).toBe(at(0, 18))
  expect(beginBy(at(1, 20), 7 * HOUR)).toBe(-Infinity)
  expect(beginBy(at(1, 20), 0)).toBe(at(1, 20))
  // What begins then is ready in time, whatever is asked.
  for (let prep = 600; prep < 12 * HOUR; prep += 1700)
    expect(readyAt(beginBy(at(3, 22), prep), prep)).toBeCloseTo(at(3, 22), 6)
})

it('says of a campaign when to begin, on the evening before where somebody is to be there', () => {
  const week = Array.from({ length: 7 }, () => ({ from: '18:00', to: '22:00' }))
  const availability = { startDate: '2026-03-02', week, daysOff: [] }
  const local = (day: number, hour: number) => new Date(2026, 2, day, hour).getTime()
  const slot = { startsAt: new Date(local(4, 19)).toISOString(), prepS: 3 * HOUR } as Slot
  const from = (drainAttended: boolean) =>
    prepareFrom({ availability, means: { drainAttended } } as unknown as Campaign)(slot)
  expect(from(false)).toBe(local(4, 16))
  expect(from(true)).toBe(local(3, 20))
  // Hours that were taken away since leave what a device does by itself.
  const late = { ...availability, startDate: '2026-03-04' }
  expect(
    prepareFrom({ availability: late, means: { drainAttended: true } } as unknown as Campaign)(slot),
  ).toBe(local(4, 16))
})
