import { describe, expect, it } from 'vitest'
import { blankSource, portOf } from '../gear/blanks'
import { blankDevice } from '../gear/deviceFields'
import type { DeviceKind } from '../gear/gear'
import { SCHOOLS } from '../protocol/schools'
import type { Protocol } from '../protocol/protocol'
import { usualMeans, type BenchMeans } from './campaign'
import { expectedTime, usualDrainHours } from './durations'

const HOUR = 3600
const device = (kind: DeviceKind = 'phone', over = {}) =>
  blankDevice({ id: 'd', name: 'Skerry P5', kind, fixedVolts: [9], ...over })
const source = blankSource({
  id: 's',
  name: 'Hawser 20',
  kind: 'wall charger',
  ratedWatts: 20,
  ports: [portOf('9V2.22A')],
})
const weak = blankSource({
  id: 'w',
  name: 'Bollard 5',
  kind: 'wall charger',
  ratedWatts: 5,
  ports: [portOf('5V1A')],
})
const protocol = (over: Partial<Protocol>): Protocol => ({
  ...SCHOOLS[0],
  startWay: 'drained',
  startPercent: 10,
  restMinutes: 0,
  ...over,
})
const time = (over: Partial<Protocol>, means: Partial<BenchMeans> = {}, from = source, of = device()) =>
  expectedTime(of, [from], null, protocol(over), { ...usualMeans(), setupMinutes: 0, ...means }, null)
const fixed = (seconds: number) => ({ stop: { kind: 'duration' as const, seconds } })
const level = (percent: number) => ({ stop: { kind: 'level' as const, percent } })

it('drains as long as was timed, else as is usual for its kind (common practice, no source)', () => {
  expect(['phone', 'tablet', 'laptop', 'other'].map((k) => usualDrainHours(device(k as DeviceKind)))).toEqual(
    [5, 6, 4, 4],
  )
  expect(usualDrainHours(device('phone', { drainHours: 2.5 }))).toBe(2.5)
})

describe('what a run takes of the timetable', () => {
  it('is charging with the share kept in hand, in whole five minutes; a fixed time keeps none', () => {
    expect(time(fixed(1800), { marginPercent: 50 })).toMatchObject({
      chargeS: 1800,
      slotS: 1800,
      uncertaintyS: 0,
    })
    expect(time(fixed(1801)).slotS).toBe(2100)
    const [without, half] = [0, 50].map((marginPercent) => time(level(80), { marginPercent }))
    expect(without.slotS).toBe(Math.ceil(without.chargeS / 300) * 300)
    expect(half.slotS).toBe(Math.ceil((1.5 * half.chargeS) / 300) * 300)
    expect(half.uncertaintyS).toBeGreaterThan(0)
  })

  it('is draining, resting and rigging before it, in whole five minutes', () => {
    // From 80 to 10 %: seven tenths of ten hours.
    const to80 = time({ ...level(80), restMinutes: 21 }, { drainHours: { d: 10 }, setupMinutes: 7 })
    expect(to80.drainS).toBeCloseTo(7 * HOUR, 6)
    expect(to80.restS).toBe(21 * 60)
    expect(to80.prepS).toBe(Math.ceil((7 * HOUR + 28 * 60) / 300) * 300)
    // Another device's hours are not its own; full is drained from full.
    expect(time({ stop: { kind: 'shown-full' } }, { drainHours: { x: 10 } }).drainS).toBeCloseTo(
      0.9 * 5 * HOUR,
      6,
    )
    expect(time({ ...level(80), startWay: 'as-found' }).drainS).toBe(0)
    expect(time({ ...level(5), startPercent: 10 }).drainS).toBe(0)
  })

  it('drains after a fixed time from where that ends, and not at all where nothing charged', () => {
    const charged = time(fixed(1800), { drainHours: { d: 10 } })
    // Half an hour at 20 W bring some tens of points to 15 Wh, and never more than is left.
    expect(charged.drainS).toBeGreaterThan(2 * HOUR)
    expect(charged.drainS).toBeLessThan(9 * HOUR)
    const refused = device('phone', { minWatts: 30 })
    expect(time(fixed(1800), { drainHours: { d: 10 } }, source, refused).drainS).toBe(0)
  })
})

describe('what it rests on', () => {
  it('is said, and a pair that will not charge is watched for half an hour', () => {
    expect(time(fixed(600))).toMatchObject({ basis: 'fixed', why: 'the protocol’s fixed time' })
    expect(time(level(80))).toMatchObject({ basis: 'generic', why: 'from the generic curve of its kind' })
    const refused = time(level(80), {}, source, device('phone', { minWatts: 30 }))
    expect(refused).toMatchObject({
      basis: 'watched',
      chargeS: 1800,
      uncertaintyS: 0,
      why: 'it is not expected to charge: watched for half an hour',
    })
  })

  it('takes what is usual where the record is silent: a laptop of 56 Wh is slower full than a phone of 15', () => {
    const full = (kind: DeviceKind, over = {}) =>
      time({ stop: { kind: 'shown-full' } }, {}, source, device(kind, over)).chargeS
    expect(full('laptop')).toBeGreaterThan(2 * full('phone'))
    expect(full('tablet')).toBeGreaterThan(full('phone'))
    expect(full('other')).not.toBe(full('phone'))
    // With what is usual written down it is the same device.
    expect(full('phone', { capacityWh: 15, maxWatts: 20 })).toBe(full('phone'))
    expect(full('tablet', { capacityWh: 29, maxWatts: 25 })).toBe(full('tablet'))
    expect(full('laptop', { capacityWh: 56, maxWatts: 60 })).toBe(full('laptop'))
    expect(full('other', { capacityWh: 10, maxWatts: 10 })).toBe(full('other'))
  })

  it('is slow from a weak source, and still charging', () => {
    const slow = time(level(80), {}, weak, device('phone', { fixedVolts: [] }))
    expect(slow.basis).toBe('generic')
    expect(slow.chargeS).toBeGreaterThan(time(level(80)).chargeS)
  })

  it('counts a stop below the start as one point to go', () => {
    const one = time({ ...level(10), startPercent: 10 })
    expect(one.chargeS).toBe(time({ ...level(11), startPercent: 10 }).chargeS)
    expect(time({ stop: { kind: 'shown-full' }, startPercent: 100 }).chargeS).toBeGreaterThan(0)
  })
})
