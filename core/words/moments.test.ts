import { describe, expect, it } from 'vitest'
import { dayAndTime, fullDay, localInput } from './moments'

describe('moments in words', () => {
  it('says a day as the reader’s own language does, and no day where there is none', () => {
    const at = '2026-03-02T12:30:00.000Z'
    const own = new Date(at).toLocaleDateString(undefined, {
      day: 'numeric',
      month: 'short',
      year: 'numeric',
    })
    expect(fullDay(at)).toBe(own)
    expect(dayAndTime('not a moment')).toBe('no date, no date')
  })

  it('fills a field for a day and a time in the reader’s own time zone', () => {
    expect(new Date(localInput('2026-03-02T12:30:00.000Z')).toISOString()).toBe('2026-03-02T12:30:00.000Z')
  })
})
