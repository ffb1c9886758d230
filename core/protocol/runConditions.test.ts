import { expect, it } from 'vitest'
import type { ChecklistAnswer } from './checklist'
import { checkedConditions, noConditions, shownConditions, unknownConditions } from './runConditions'

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

it('names what a comparison will ask for and nobody noted', () => {
  const all = { ...noConditions(), deviceState: 'asleep', ratedWh: 15, ambientC: 0 }
  expect(unknownConditions(all, 'c1')).toEqual([])
  expect(unknownConditions(all, null)).toEqual(['Cable'])
  expect(unknownConditions({ ...all, deviceState: '' }, 'c1')).toEqual(['State of the device'])
  expect(unknownConditions(noConditions(), null)).toEqual(['Cable', 'State of the device', 'Capacity, rated', 'Room']) // prettier-ignore
})
