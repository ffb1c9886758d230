import { describe, expect, it } from 'vitest'
import {
  dayAndTime,
  dayInWeek,
  fullDay,
  localInput,
  longDay,
  movedBy,
  timeOfDay,
  writeHours,
} from './moments'

describe('moments in words', () => {
  it('says a day in English, whatever the machine speaks, and no day where there is none', () => {
    const at = '2026-03-02T12:30:00.000Z'
    expect(fullDay(at)).toMatch(/^(2 Mar|Mar 2,) 2026$/)
    expect(dayInWeek(at)).toMatch(/^Mon,? (2 Mar|Mar 2)$/)
    expect(longDay(at)).toMatch(/^Monday,? (2 March|March 2)$/)
    expect(dayAndTime('not a moment')).toBe('no date, no date')
  })

  it('fills a field for a day and a time in the reader’s own time zone', () => {
    expect(new Date(localInput('2026-03-02T12:30:00.000Z')).toISOString()).toBe('2026-03-02T12:30:00.000Z')
  })
})

it('a moment is moved by seconds, and none stays none', () => {
  expect(movedBy('2026-03-02T19:00:00.000Z', 30.5)).toBe('2026-03-02T19:00:30.500Z')
  expect(movedBy('2026-03-02T00:00:10.000Z', -20)).toBe('2026-03-01T23:59:50.000Z')
  expect(movedBy(null, 30)).toBeNull()
})

it('times of day are written as the reader prefers', () => {
  const evening = new Date(2026, 2, 2, 19, 5).getTime()
  writeHours('24')
  expect(timeOfDay(evening)).toBe('19:05')
  expect(dayAndTime(evening)).toMatch(/, 19:05$/)
  writeHours('12')
  expect(timeOfDay(evening).replace('\u202f', ' ')).toMatch(/^7:05 pm$/i)
  expect(timeOfDay('soon')).toBe('no date')
  writeHours('auto')
})
