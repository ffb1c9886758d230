import { expect, it } from 'vitest'
import type { ChecklistAnswer } from './checklist'
import { checkedConditions, noConditions, shownConditions } from './runConditions'

const answer = (id: string, over: Partial<ChecklistAnswer>): ChecklistAnswer => ({
  id,
  text: '',
  answer: 'done',
  value: null,
  outside: false,
  when: '2026-03-02T19:00:00.000Z',
  ...over,
})

it('takes the rest and the room as they were measured, and nothing that was skipped', () => {
  expect(
    checkedConditions([
      answer('rest', { text: 'Rested for 21 min', value: 34, outside: true }),
      answer('ambient', { value: 22.5 }),
    ]),
  ).toEqual({ restMinutes: 34, ambientC: 22.5 })
  // An earlier version asked for a tick alone.
  expect(checkedConditions([answer('rest', { text: 'Rested for 21 min' })])).toEqual({ restMinutes: 21 })
  expect(checkedConditions([answer('rest', { value: 0 })])).toEqual({ restMinutes: 0 })
  expect(checkedConditions([answer('rest', { answer: 'skipped', text: 'Rested for 21 min' })])).toEqual({})
})

it('shows every condition under a name of its own, and begins with none known', () => {
  const labels = shownConditions.map((c) => c.label)
  expect(new Set(labels).size).toBe(labels.length)
  expect(labels).toEqual(
    expect.arrayContaining(['Protocol', 'Fed from', 'Room', 'Rested before', 'Battery health']),
  )
  expect(noConditions()).toMatchObject({
    restMinutes: null,
    fedFromId: null,
    protocol: '',
    voltsAssumed: false,
  })
})
