import { describe, expect, it } from 'vitest'
import { agree, type Agreement } from './agree'
import { blankCable, portOf } from './blanks'
import type { Cable, Device, Source } from './gear'

const device = (over: Partial<Device>): Device =>
  ({
    kind: 'phone', maxWatts: 27, minWatts: null, minVolts: null, fixedVolts: [9], adjustable: null, family: '', legacyAmps: null,
    wirelessWatts: null, ...over,
  }) as Device // prettier-ignore
const source = (ratedWatts: number, ...ports: string[]): Source =>
  ({ kind: 'wall charger', ratedWatts, ports: ports.map((p, i) => portOf(p, `C${i + 1}`)) }) as Source // prettier-ignore
const pad = (ratedWatts: number) => ({ kind: 'wireless pad', ratedWatts, ports: [] }) as unknown as Source
const marked = blankCable({ id: 'm', name: 'marked', maxAmps: 5, marked: true })
const unmarked5 = blankCable({ id: 'u', name: 'unmarked', maxAmps: 5 })
const thin = blankCable({ id: 't', name: 'thin', maxAmps: 1 })
const laptop = device({ kind: 'laptop', maxWatts: 65, minWatts: 18, minVolts: 9, fixedVolts: [9, 15, 20] })
const tablet = device({ kind: 'tablet', maxWatts: 30, fixedVolts: [9, 15] })
const adjustable = device({ maxWatts: 45, fixedVolts: [9], adjustable: { minVolts: 5, maxVolts: 11 } })
const family = device({ maxWatts: 33, fixedVolts: [], family: 'Tideway' })

type Case = [string, Device, Source, Cable | null, Partial<Agreement>]

// Invented gear; the rules behind it are those of USB Power Delivery, Type-C and Battery Charging 1.2 (memory).
const CASES: Case[] = [
  ['a 5 V only outlet holds a 9 V phone to 5 V', device({}), source(15, '5V3A'), null, { volts: 5, watts: 15, limit: 'source' }],
  ['a proprietary phone on an open charger falls back to 5 V', family, source(65, '5V3A, 9V3A, 20V3.25A'), null, { volts: 5, watts: 15, limit: 'no-common-protocol' }],
  ['a proprietary phone on its own charger gets all of it', family, source(33, '5V2A, family Tideway 11V3A'), null, { protocol: 'Tideway', watts: 33, limit: 'device' }],
  ['another family’s charger gives it 5 V only', family, source(33, '5V2A, family Ebb 11V3A'), null, { volts: 5, watts: 10 }],
  ['a laptop on 15 W is connected, not charging', laptop, source(15, '5V3A'), null, { outcome: 'connected', limit: 'too-weak' }],
  ['a laptop takes a weaker level that charges over a stronger one that does not', device({ ...laptop, minWatts: 12 }), source(15, '5V3A, 9V1.5A'), null, { outcome: 'slow', volts: 9, watts: 13.5 }],
  ['a laptop on 20 W charges at close to a third of what it takes', laptop, source(20, '5V3A, 9V2.22A'), null, { outcome: 'charges', volts: 9 }],
  ['a 100 W source on a 3 A cable gives 60 W', device({ ...laptop, maxWatts: 100 }), source(100, '5V3A, 9V3A, 15V3A, 20V5A'), unmarked5, { watts: 60, limit: 'cable' }],
  ['the same source on a marked cable gives it all', device({ ...laptop, maxWatts: 100 }), source(100, '5V3A, 9V3A, 15V3A, 20V5A'), marked, { watts: 100, limit: 'device' }],
  ['a 1 A cable holds a tablet to 15 W', tablet, source(45, '5V3A, 9V3A, 15V3A'), thin, { volts: 15, watts: 15, limit: 'cable' }],
  ['an adjustable range that meets the device’s is used at its top', adjustable, source(30, '5V3A, 9V3A; 3.3–11V 3A adjustable'), null, { protocol: 'pd-adjustable', volts: 11 }],
  ['an adjustable range that misses the device’s leaves the fixed level', adjustable, source(60, '9V3A; 15–21V 3A adjustable'), null, { protocol: 'pd-fixed', watts: 27, limit: 'no-common-protocol' }],
  ['a range touching the device’s at one volt is met there', adjustable, source(55, '5V3A; 11–21V 2.5A adjustable'), null, { protocol: 'pd-adjustable', volts: 11, watts: 27.5 }],
  ['a 12 V level helps nobody who does not accept it', device({}), source(36, '5V2A, 12V3A'), null, { volts: 5, watts: 10, limit: 'no-common-protocol' }],
  ['a legacy port stops at 1.5 A', device({}), source(12, 'legacy 5V 2.4A'), null, { watts: 7.5, protocol: 'legacy' }],
  ['of two ports the better one is taken', device({}), source(32, '5V2.4A', '5V3A, 9V2.22A'), null, { port: 'C2', volts: 9 }],
  ['a source with no port on record is no way in', device({}), source(20), null, { outcome: 'none', limit: 'no-way' }],
  ['a phone of unknown appetite takes what is offered', device({ maxWatts: null }), source(20, '5V3A, 9V2.22A'), null, { volts: 9, limit: 'source' }],
  ['a far too weak source charges slowly', tablet, source(5, '5V1A'), null, { outcome: 'slow', watts: 5 }],
  ['a stronger source than the device needs is held by the device', device({ maxWatts: 18 }), source(100, '5V3A, 9V3A, 20V5A'), marked, { watts: 18, amps: 2, limit: 'device' }],
  ['a pad gives no more than the coil takes', device({ wirelessWatts: 7.5 }), pad(15), null, { watts: 7.5, limit: 'device' }],
  ['a weak pad gives no more than its own', device({ wirelessWatts: 12 }), pad(10), null, { watts: 10, limit: 'source' }],
] // prettier-ignore

describe('awkward pairs', () => {
  it.each(CASES)('%s', (_name, d, s, c, expected) => {
    const found = agree(d, s, c)
    expect(found).toMatchObject(expected)
    expect(found.why).toMatch(/^[A-Z].*\.$/)
  })
})
