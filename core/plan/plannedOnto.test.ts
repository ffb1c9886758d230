import { expect, it } from 'vitest'
import type { PlannedRun } from './campaign'
import { plannedOnto } from './plannedOnto'

const run = (id: string, over: Partial<PlannedRun> = {}): PlannedRun => ({
  id,
  deviceId: 'd',
  sourceId: 's',
  cableId: null,
  repeat: 1,
  slot: null,
  pinned: false,
  setAside: null,
  ...over,
})
const at = (hour: number) => ({
  startsAt: `2026-03-02T${hour}:00:00.000Z`,
  chargeS: 3600,
  prepS: 0,
  unit: 0,
  lane: 0,
})

it('takes places from a new timetable, and leaves what was changed since it was begun', () => {
  const before = ['kept', 'aside', 'back', 'moved', 'released', 'gone'].map((id) =>
    run(id, { setAside: id === 'back' ? 'broken' : null, pinned: id === 'released' }),
  )
  const now = [
    run('kept'),
    run('aside', { setAside: 'not needed' }),
    run('back'),
    run('moved', { pinned: true, slot: at(21) }),
    run('released'),
    run('new'),
  ]
  const after = before.map((r) => ({ ...r, slot: at(19) }))
  expect(plannedOnto(now, before, after)).toEqual([{ ...run('kept'), slot: at(19) }, ...now.slice(1)])
})

it('pins the run that was moved by hand', () => {
  const before = [run('a'), run('b')]
  const after = [run('a', { pinned: true, slot: at(20) }), run('b')]
  expect(plannedOnto(before, before, after)).toEqual(after)
})
