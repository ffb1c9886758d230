import { expect, test } from 'vitest'
import { SCHOOLS } from '../protocol/schools'
import { allDone, answeredForAll, commonAnswer, ownItems, sharedItems } from './shared'
import { openItems, rigByProtocol, type RiggedLane } from './strip'

const WHEN = '2026-03-02T18:40:00.000Z'
const protocol = {
  ...SCHOOLS[0],
  restMinutes: 21,
  conditions: [
    { kind: 'ambient' as const, required: '21 ± 2 °C' },
    { kind: 'same-cable' as const, required: '' },
    { kind: 'screen' as const, required: 'off' },
  ],
}
const lane = (id: string, cable: string | null): RiggedLane => ({
  id,
  ...rigByProtocol(
    { deviceId: id, sourceId: id, cableId: null, planned: { campaignId: 'c', plannedId: id } },
    protocol,
    cable,
  ),
})
const ids = (items: readonly { id: string }[]) => items.map((i) => i.id)

test('what holds for all is asked once; level, rest and a cable of its own stay with the lane', () => {
  const lanes = [lane('a', 'Braid 1 m'), lane('b', 'Braid 2 m')]
  expect(ids(sharedItems(lanes))).toEqual(['ambient', 'screen', 'sound', 'dead-strip'])
  expect(ids(ownItems(lanes[1], lanes))).toEqual(['start-level', 'rest', 'same-cable'])
  expect(ids(sharedItems([lane('a', 'Braid 1 m'), lane('b', 'Braid 1 m')]))).toContain('same-cable')
})

test('a lane alone shares nothing, and an empty strip neither', () => {
  const alone = lane('a', null)
  expect(sharedItems([alone])).toEqual([])
  expect(ownItems(alone, [alone])).toEqual(alone.items)
  expect(sharedItems([])).toEqual([])
})

test('one answer is on record with every lane, and goes back from all', () => {
  const lanes = [lane('a', null), lane('b', null)]
  const [ambient] = sharedItems(lanes)
  const answered = answeredForAll(lanes, ambient, 'done', 24, WHEN)
  for (const { choice } of answered)
    expect(choice.checklist).toEqual([
      expect.objectContaining({ id: 'ambient', value: 24, outside: true, when: WHEN }),
    ])
  expect(commonAnswer(ambient, answered)?.value).toBe(24)
  expect(commonAnswer(ambient, [answered[0], lanes[1]])).toBeUndefined()
  const other = answeredForAll(answered, ambient, 'done', 22, WHEN)
  expect(commonAnswer(ambient, [answered[0], other[1]])).toBeUndefined()
  expect(answeredForAll(answered, ambient, undefined, null, WHEN)).toEqual(lanes)
})

test('all done ticks what a tick is enough for, and leaves what asks for a figure or was answered', () => {
  const [skipped] = answeredForAll([lane('a', null)], { id: 'screen', text: '' }, 'skipped', null, WHEN)
  const done = allDone(skipped, WHEN)
  expect(ids(openItems(done))).toEqual(['start-level', 'rest', 'ambient'])
  expect(done.choice.checklist.find((a) => a.id === 'screen')?.answer).toBe('skipped')
  expect(done.choice.checklist.find((a) => a.id === 'sound')).toMatchObject({ answer: 'done', value: null })
})
