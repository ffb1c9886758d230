import { describe, expect, it } from 'vitest'
import { SCHOOLS } from '../protocol/schools'
import { setupFixture } from './bench.fixture'
import { readSession, readStrip } from './session'
import { answered, choiceAtPowerOn, openItems, rigByProtocol } from './strip'

describe('the stored session', () => {
  it('comes back as it was', () => {
    const lanes = [setupFixture(), setupFixture({ feed: { kind: 'simulated', seed: 3, speed: 600 } })]
    const session = { schemaVersion: 3, number: 4, wallShiftMs: 5, anchor: null, lanes, apart: [] }
    expect(readSession(JSON.parse(JSON.stringify(session)))).toEqual(session)
  })

  it('of an earlier version is brought forward', () => {
    const { start: _s, gear: _g, heat: _h, checklist: _c, planned: _p, reading: _r, ...old } = setupFixture()
    const [lane] = readSession({
      schemaVersion: 1,
      lanes: [{ ...old, startPercent: 7, intervalS: 60 }],
    }).lanes
    expect(lane).toMatchObject({ start: { percent: 7, read: true }, reading: { kind: 'every', seconds: 60 } })
  })

  it('sets a lane apart that does not hold, and keeps it for as long as nobody takes it', () => {
    const broken = { ...setupFixture(), startedAtMs: Infinity }
    const session = readSession({ lanes: [broken, setupFixture()] })
    expect([session.lanes.length, session.apart.length]).toEqual([1, 1])
    expect(readSession(session).apart).toEqual([broken])
    expect(readSession('rubbish').lanes).toEqual([])
  })
})

describe('the strip before the switch', () => {
  const protocol = SCHOOLS.find((p) => p.id === 'one-to-full')!
  const place = { campaignId: 'c', plannedId: 'p' }
  const lane = { id: 'l', ...rigByProtocol({ deviceId: 'd', sourceId: 's', cableId: null, planned: place }, protocol, null) } // prettier-ignore
  const [level, rest] = lane.items
  const WHEN = '2026-03-02T19:00:00.000Z'

  it('takes a planned start level for planned until it is read, and again when the answer is taken back', () => {
    expect(lane.choice.start).toEqual({ percent: 1, read: false })
    const read = answered(lane, level, 'done', 3, WHEN)
    expect(read.choice.start).toEqual({ percent: 3, read: true })
    expect(answered(read, level, undefined, null, WHEN).choice.start).toEqual({ percent: 1, read: false })
    expect(answered(lane, level, 'skipped', null, WHEN).choice.start.read).toBe(false)
  })

  it('puts what nobody answered on record as skipped', () => {
    const choice = choiceAtPowerOn(answered(lane, rest, 'done', null, WHEN), WHEN)
    expect(choice.checklist.filter((a) => a.answer === 'done').map((a) => a.id)).toEqual([rest.id])
    expect(choice.checklist).toHaveLength(lane.items.length)
    expect(openItems(lane)).toHaveLength(lane.items.length)
  })

  it('comes back from storage with its answers, and of an earlier version too', () => {
    const read = answered(lane, level, 'done', 3, WHEN)
    expect(readStrip(JSON.parse(JSON.stringify([read])))).toEqual([read])
    const { start: _, ...choice } = lane.choice
    const { plannedPercent: _p, ...before } = lane
    const [old] = readStrip([{ ...before, choice: { ...choice, startPercent: 2 } }, { id: 'x' }, null])
    expect(old.choice.start).toEqual({ percent: 2, read: false })
  })
})
