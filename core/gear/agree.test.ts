import { describe, expect, it } from 'vitest'
import { agree } from './agree'
import type { Cable, Device, Source } from './gear'
import { parseOffers } from './offers'

const device = (over: Partial<Device>): Device =>
  ({
    kind: 'laptop',
    maxWatts: 240,
    minWatts: null,
    minVolts: null,
    fixedVolts: [5, 9, 15, 20, 28, 36, 48],
    adjustable: null,
    family: '',
    wirelessWatts: null,
    ...over,
  }) as Device
const source = (offers: string, ratedWatts: number, over: Partial<Source> = {}): Source =>
  ({
    kind: 'wall charger',
    ratedWatts,
    ports: [{ name: 'C1', offers: parseOffers(offers).offers }],
    ...over,
  }) as Source
const marked = { maxAmps: 5, marked: true } as Cable
const unmarked = { maxAmps: 5, marked: false } as Cable

describe('what a source and a device agree on', () => {
  // USB Power Delivery power rules (memory).
  it.each([
    [15, '5V3A', 5, 3],
    [27, '5V3A, 9V3A', 9, 3],
    [45, '5V3A, 9V3A, 15V3A', 15, 3],
    [60, '5V3A, 9V3A, 15V3A, 20V3A', 20, 3],
    [100, '5V3A, 9V3A, 15V3A, 20V5A', 20, 5],
    [140, '5V3A, 9V3A, 15V3A, 20V5A, 28V5A', 28, 5],
    [180, '5V3A, 20V5A, 36V5A', 36, 5],
    [240, '5V3A, 20V5A, 48V5A', 48, 5],
  ])('%i W follows the published power rules', (watts, offers, volts, amps) => {
    expect(agree(device({}), source(offers, watts), marked)).toMatchObject({
      volts,
      amps,
      watts,
      mode: 'fixed',
    })
  })

  it('is held to 3 A by a cable without a marker, and says so', () => {
    const a = agree(device({}), source('5V3A, 20V5A', 100), unmarked)
    expect(a).toMatchObject({ watts: 60, limit: 'cable' })
    expect(a.why).toMatch(/3 A/)
  })

  it('falls back to 5 V for a family the source does not speak', () => {
    const phone = device({ kind: 'phone', maxWatts: 33, fixedVolts: [], family: 'Tideway' })
    expect(agree(phone, source('5V3A, 9V3A', 27))).toMatchObject({ volts: 5, watts: 15, limit: 'mismatch' })
    expect(agree(phone, source('5V2A, family Tideway 11V3A', 33))).toMatchObject({
      mode: 'family',
      watts: 33,
    })
  })

  it('is connected but not charging below the device’s minimum', () => {
    const laptop = device({ maxWatts: 65, minWatts: 18, minVolts: 9 })
    expect(agree(laptop, source('5V3A', 15))).toMatchObject({ outcome: 'connected', limit: 'below-minimum' })
  })

  it('caps a legacy port at 1.5 A (Battery Charging 1.2, memory)', () => {
    expect(agree(device({ maxWatts: 18 }), source('legacy 5V 2.4A', 12))).toMatchObject({ watts: 7.5 })
  })

  it('uses an adjustable range only where it meets the device’s', () => {
    const phone = device({ maxWatts: 45, fixedVolts: [9], adjustable: { minVolts: 5, maxVolts: 11 } })
    expect(agree(phone, source('9V3A; 3.3–11V 4A adjustable', 45), marked)).toMatchObject({
      mode: 'adjustable',
      watts: 44,
    })
    expect(agree(phone, source('9V3A; 15–20V 3A adjustable', 60))).toMatchObject({ mode: 'fixed', watts: 27 })
  })

  it('needs a coil on a pad', () => {
    const pad = source('', 15, { kind: 'wireless pad', ports: [] })
    expect(agree(device({}), pad)).toMatchObject({ outcome: 'none' })
    expect(agree(device({ wirelessWatts: 10 }), pad)).toMatchObject({
      mode: 'wireless',
      watts: 10,
      limit: 'device',
    })
  })
})

describe('offers as printed', () => {
  it('are understood in one line', () => {
    expect(parseOffers('5V3A, 9V3A, 15V3A, 20V3.25A; 3.3–11V 3A adjustable')).toEqual({
      offers: [
        { kind: 'fixed', volts: 5, amps: 3 },
        { kind: 'fixed', volts: 9, amps: 3 },
        { kind: 'fixed', volts: 15, amps: 3 },
        { kind: 'fixed', volts: 20, amps: 3.25 },
        { kind: 'adjustable', minVolts: 3.3, maxVolts: 11, amps: 3 },
      ],
      unread: [],
    })
  })

  it('take decimal commas, and return what they could not read', () => {
    expect(parseOffers('5 V / 2,4 A; lots of power; 900V 3A')).toEqual({
      offers: [{ kind: 'fixed', volts: 5, amps: 2.4 }],
      unread: ['lots of power', '900V 3A'],
    })
  })
})
