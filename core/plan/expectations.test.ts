import { expect, it } from 'vitest'
import { blankCable, blankSource, portOf } from '../gear/blanks'
import { blankDevice } from '../gear/deviceFields'
import { genericAcceptance } from '../model/acceptance'
import { SCHOOLS } from '../protocol/schools'
import { pairKey, usualMeans, type Campaign } from './campaign'
import { expectations } from './expectations'

const laptop = blankDevice({
  id: 'laptop',
  name: 'Taffrail L14',
  kind: 'laptop',
  capacityWh: 56,
  maxWatts: 100,
  fixedVolts: [5, 20],
})
const phone = blankDevice({
  id: 'phone',
  name: 'Skerry P5',
  kind: 'phone',
  capacityWh: 16,
  maxWatts: 20,
  fixedVolts: [9],
})
const source = blankSource({
  id: 'gangway',
  name: 'Gangway 100',
  kind: 'wall charger',
  ratedWatts: 100,
  ports: [portOf('5V3A, 9V3A, 20V5A')],
})
const gear = {
  devices: [phone, laptop],
  sources: [blankSource({ id: 'other', name: 'Bollard 5', kind: 'wall charger', ratedWatts: 5, ports: [portOf('5V1A')] }), source],
  cables: [
    blankCable({ id: 'plain', name: 'Long grey' }),
    blankCable({ id: 'marked', name: 'Short black', maxAmps: 5, marked: true }),
  ],
  // 70 Wh at a steady 100 W into the battery, from a run of its own.
  curves: { laptop: { ...genericAcceptance(70, 100), watts: new Float64Array(501).fill(100), origin: 'run' as const } },
} // prettier-ignore
const pair = (deviceId: string, cableId: string | null, sourceId = 'gangway') => ({
  deviceId,
  sourceId,
  cableId,
  repeats: 1,
})
const told = (pairs: ReturnType<typeof pair>[]) =>
  expectations(
    {
      pairs,
      protocol: { ...SCHOOLS[0], startPercent: 0, stop: { kind: 'level', percent: 100 } },
      means: usualMeans(),
    } as unknown as Campaign,
    gear,
  )

it('expects of each pair what its own device takes from its own source through its own cable', () => {
  const pairs = [
    pair('laptop', 'marked'),
    pair('laptop', 'plain'),
    pair('phone', null),
    pair('phone', null, 'other'),
  ]
  const [marked, plain, phones, small] = pairs.map((p) => told(pairs).get(pairKey(p))!)
  // 70 Wh at 100 W are 42 min; a cable without a marker carries 3 A, 60 W: 70 min.
  expect(marked.chargeS).toBeCloseTo(42 * 60, 0)
  expect(plain.chargeS).toBeCloseTo(70 * 60, 0)
  expect([marked.basis, phones.basis]).toEqual(['run', 'generic'])
  // 20 Wh at the meter, as is assumed of 16 Wh in the battery, cannot come from 5 W in less than four hours.
  expect(small.chargeS).toBeGreaterThan(4 * 3600)
  expect(phones.chargeS).toBeLessThan(2.5 * 3600)
})

it('expects nothing of a pair whose gear is no longer there', () => {
  expect(told([pair('gone', null), pair('phone', null, 'gone')]).size).toBe(0)
})
