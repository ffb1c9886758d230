import { describe, expect, it } from 'vitest'
import { agree } from './agree'
import { blankCable, blankSource, portOf } from './blanks'
import type { Device, Source } from './gear'
import { agreeAlong, chainTo } from './chain'
import { formatOffers, parseOffers } from './offers'

const device = (over: Partial<Device>): Device =>
  ({
    kind: 'laptop',
    maxWatts: 240,
    minWatts: null,
    minVolts: null,
    fixedVolts: [5, 9, 15, 20, 28, 36, 48],
    adjustable: null,
    family: '',
    legacyAmps: null,
    wirelessWatts: null,
    ...over,
  }) as Device
const source = (offers: string, ratedWatts: number, over: Partial<Source> = {}): Source =>
  ({
    kind: 'wall charger',
    ratedWatts,
    ports: [portOf(offers, 'C1')],
    ...over,
  }) as Source
const marked = blankCable({ id: 'm', name: 'marked', maxAmps: 5, marked: true })
const extended = blankCable({ id: 'e', name: 'extended', maxAmps: 5, marked: true, extendedRange: true })
const unmarked = blankCable({ id: 'u', name: 'unmarked', maxAmps: 5 })

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
    expect(agree(device({}), source(offers, watts), extended)).toMatchObject({
      volts,
      amps,
      watts,
      protocol: 'pd-fixed',
    })
  })

  it('is held to 3 A by a cable without a marker, and says so', () => {
    const a = agree(device({}), source('5V3A, 20V5A', 100), unmarked)
    expect(a).toMatchObject({ watts: 60, limit: 'cable' })
    expect(a.why).toMatch(/3 A/)
  })

  it('falls back to 5 V for a family the source does not speak', () => {
    const phone = device({ kind: 'phone', maxWatts: 33, fixedVolts: [], family: 'Tideway' })
    expect(agree(phone, source('5V3A, 9V3A', 27))).toMatchObject({
      volts: 5,
      watts: 15,
      limit: 'no-common-protocol',
    })
    expect(agree(phone, source('5V2A, family Tideway 11V3A', 33))).toMatchObject({
      protocol: 'Tideway',
      watts: 33,
    })
  })

  it('is connected but not charging below the device’s minimum', () => {
    const laptop = device({ maxWatts: 65, minWatts: 18, minVolts: 9 })
    expect(agree(laptop, source('5V3A', 15))).toMatchObject({ outcome: 'connected', limit: 'too-weak' })
  })

  it('caps a legacy port at 1.5 A (Battery Charging 1.2, memory)', () => {
    expect(agree(device({ maxWatts: 18 }), source('legacy 5V 2.4A', 12))).toMatchObject({ watts: 7.5 })
  })

  it('gives more than that only to a device that knows what the port signals', () => {
    const knows = device({ maxWatts: 18, legacyAmps: 2.4 })
    expect(agree(knows, source('legacy 5V 2.4A', 12))).toMatchObject({ watts: 12, protocol: 'legacy' })
  })

  it('reaches 28 V and more only through a cable marked for extended range (USB PD 3.1, memory)', () => {
    const offers = source('5V3A, 20V5A, 28V5A', 140)
    const held = agree(device({}), offers, marked)
    expect(held).toMatchObject({ volts: 20, watts: 100, limit: 'cable' })
    expect(agree(device({}), offers, extended)).toMatchObject({ volts: 28, watts: 140, limit: 'source' })
    const low = blankCable({ id: 'l', name: 'low', maxAmps: 5, marked: true, maxVolts: 12 })
    expect(agree(device({}), source('5V3A, 9V3A, 20V5A', 100), low)).toMatchObject({
      volts: 9,
      limit: 'cable',
    })
  })

  it('works at a family’s level through that family’s own cable only', () => {
    // Common practice, no source: a family charger of 50 W works at 10 V 5 A through its own cable only.
    const phone = device({ maxWatts: 50, fixedVolts: [9], family: 'Ebb, Tideway' })
    const charger = source('5V2A, Tideway 10V5A', 50)
    const own = blankCable({ id: 'o', name: 'own', maxAmps: 3, family: 'Tideway', familyAmps: 5 })
    const other = blankCable({ id: 'x', name: 'other', maxAmps: 3, family: 'Ebb', familyAmps: 5 })
    expect(agree(phone, charger, own)).toMatchObject({ protocol: 'Tideway', volts: 10, amps: 5, watts: 50 })
    expect(agree(phone, charger, other)).toMatchObject({ protocol: 'Tideway', watts: 30, limit: 'cable' })
    expect(agree(phone, charger)).toMatchObject({ watts: 30, limit: 'cable' })
  })

  it('takes 9 V of a family for no 9 V where the device does not speak it', () => {
    // Common practice, no source: a foreign fast charger gave 0.95 A at 5 V to a phone that speaks only the open one.
    const open = device({ maxWatts: 18, fixedVolts: [9] })
    expect(agree(open, source('legacy 5V0.95A, Tideway 9V2A', 18))).toMatchObject({
      protocol: 'legacy',
      volts: 5,
      amps: 0.95,
      limit: 'no-common-protocol',
    })
  })

  it('never gives more than the port, the source or the level', () => {
    const charger = source('5V3A, 9V3A, 20V5A; rated 45W', 65)
    expect(agree(device({}), charger, marked)).toMatchObject({ watts: 45, limit: 'port' })
    expect(agree(device({}), source('9V3A, 20V5A', 30), marked)).toMatchObject({ watts: 30, limit: 'source' })
    expect(agree(device({}), source('9V3A', 65))).toMatchObject({ watts: 27, limit: 'source' })
  })

  it('takes a device of unknown levels to accept any open one, and says that it is assumed', () => {
    const unknown = device({ maxWatts: 20, fixedVolts: [] })
    expect(agree(unknown, source('5V3A, 9V3A, 15V3A', 45))).toMatchObject({
      volts: 9,
      watts: 20,
      limit: 'device',
      assumed: true,
    })
    expect(agree(unknown, source('legacy 5V1A, Tideway 9V2A', 18))).toMatchObject({
      volts: 5,
      assumed: false,
    })
    expect(agree(device({}), source('5V3A, 9V3A', 27)).assumed).toBe(false)
  })

  it('takes 5 V of a Type-C socket as far as it is printed', () => {
    expect(agree(device({ fixedVolts: [9] }), source('type-c 5V1.5A', 8))).toMatchObject({
      protocol: 'type-c',
      watts: 7.5,
    })
  })

  it('uses an adjustable range only where it meets the device’s', () => {
    const phone = device({ maxWatts: 45, fixedVolts: [9], adjustable: { minVolts: 5, maxVolts: 11 } })
    expect(agree(phone, source('9V3A; 3.3–11V 4A adjustable', 45), marked)).toMatchObject({
      protocol: 'pd-adjustable',
      watts: 44,
    })
    expect(agree(phone, source('9V3A; 15–20V 3A adjustable', 60))).toMatchObject({
      protocol: 'pd-fixed',
      watts: 27,
    })
  })

  it('needs a coil on a pad', () => {
    const pad = source('', 15, { kind: 'wireless pad', ports: [] })
    expect(agree(device({}), pad)).toMatchObject({ outcome: 'none' })
    expect(agree(device({ wirelessWatts: 10 }), pad)).toMatchObject({
      protocol: 'wireless',
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

  it('name protocols, families, ports and whole sides', () => {
    const text =
      'type-c 5V3A; legacy 5V2.4A; legacy; Tide way 10V 5A; wireless 15W; rated 45W; max 27W; min 10W'
    expect(parseOffers(text)).toEqual({
      offers: [
        { kind: 'type-c', amps: 3 },
        { kind: 'legacy', amps: 2.4 },
        { kind: 'legacy', amps: 1.5 },
        { kind: 'family', family: 'Tide way', volts: 10, amps: 5 },
        { kind: 'wireless', watts: 15 },
      ],
      ratedWatts: 45,
      maxWatts: 27,
      minWatts: 10,
      unread: [],
    })
    expect(parseOffers('wireless 9V2A; max 900W; legacy 9V2A').unread).toHaveLength(3)
  })

  it('are written as they are read', () => {
    const all = parseOffers(
      '9V3A, 3.3–11V 3A adjustable, type-c 5V3A, legacy 5V2.4A, Ebb 10V5A, wireless 15W',
    )
    expect(parseOffers(formatOffers(all.offers)).offers).toEqual(all.offers)
    expect(formatOffers(all.offers)).toBe(
      '9V 3A, 3.3–11V 3A adjustable, type-c 5V 3A, legacy 5V 2.4A, Ebb 10V 5A, wireless 15W',
    )
  })
})

describe('a chain of links', () => {
  const link = (over: Partial<Source>): Source =>
    blankSource({ id: 'l', name: 'Binnacle pad', kind: 'wireless pad', ratedWatts: 15, ...over })
  const brick = (offers: string, watts: number) => source(offers, watts, { name: `Brick ${watts}` })
  const phone = device({ maxWatts: 27, wirelessWatts: 15 })

  it('gives a pad behind a small brick less than its rating', () => {
    // Common practice, no source: a pad drew 19 W from a 60 W brick and 12.6 W from a 20 W one.
    const pad = link({ takes: '5V2A, 9V1.4A, 20V0.95A', efficiencyPercent: 79 })
    const large = agreeAlong(phone, [brick('5V3A, 9V3A, 15V3A, 20V3A', 60), pad])
    expect(large.links[0].takes).toMatchObject({ volts: 20, watts: 19 })
    // 15 W received of 19 W sent is 79 %: the pad's rating is just what arrives.
    expect(large).toMatchObject({ protocol: 'wireless', limit: 'device', limitedBy: '' })
    expect(large.watts).toBeCloseTo(15, 1)
    const small = agreeAlong(phone, [brick('5V3A, 9V2.22A', 20), pad])
    expect(small.links[0].takes.watts).toBeCloseTo(12.6, 9)
    expect(small).toMatchObject({ limit: 'link', limitedBy: 'Binnacle pad' })
    expect(small.watts).toBeCloseTo(12.6 * 0.79, 9)
    expect(small.why).toMatch(/Binnacle pad gets 12\.6 W and passes 9\.95 W on/)
    // The meter stands before the pad: what a phone takes of it is more there, and never more than the pad gets.
    const meterOf = (of: ReturnType<typeof agreeAlong>) => of.meterWatts
    expect(meterOf(large)).toBeCloseTo(19, 1)
    expect(meterOf(small)).toBeCloseTo(12.6, 9)
    const modest = device({ maxWatts: 27, wirelessWatts: 7.9 })
    expect(meterOf(agreeAlong(modest, [brick('5V3A, 9V2.22A', 20), pad]))).toBeCloseTo(10, 9)
    expect(meterOf(agreeAlong(modest, [link({ efficiencyPercent: 79, drawsW: 0.5 })]))).toBeCloseTo(10.5, 9)
    // Nobody knows what a pad loses that does not say: no more than it gets.
    const mute = link({ takes: '9V1.4A' })
    expect(meterOf(agreeAlong(modest, [brick('9V3A', 27), mute]))).toBeCloseTo(12.6, 9)
    expect(meterOf(agreeAlong(modest, [link({})]))).toBeNaN()
    expect(meterOf(agreeAlong(device({}), [brick('9V3A', 27), pad]))).toBe(0)
    expect(meterOf(agreeAlong(phone, [brick('5V3A', 15)]))).toBe(15)
  })

  it('takes a dock’s own draw off before its efficiency, link by link', () => {
    const dock = link({
      name: 'Quay dock',
      kind: 'dock',
      ratedWatts: 100,
      takes: '20V5A',
      drawsW: 10,
      efficiencyPercent: 90,
      ports: [portOf('5V3A, 9V3A, 20V3A')],
    })
    const laptop = device({ maxWatts: 90 })
    const found = agreeAlong(laptop, [brick('5V3A, 20V3.25A', 65), dock])
    // A usual cable carries 3 A: 60 W in, less 10, times 0.9.
    expect(found.watts).toBeCloseTo(45, 9)
    expect(found).toMatchObject({ limit: 'link', limitedBy: 'Quay dock', links: [{ passesW: 45 }] })
  })

  it('names the link that holds the watts among several, and the one that starves', () => {
    const dock = (over: Partial<Source>) =>
      link({ name: 'Quay dock', kind: 'dock', ratedWatts: 100, takes: '20V3A', ports: [portOf('5V3A, 9V3A, 20V3A')], ...over })
    const pad = link({ takes: '5V2A, 9V1.4A', efficiencyPercent: 79 })
    const wall = brick('5V3A, 20V3A', 60)
    // The dock passes 54 W on, of which the pad takes 12.6: that is where it narrows.
    const through = agreeAlong(phone, [wall, dock({ drawsW: 6 }), pad])
    expect(through).toMatchObject({ limitedBy: 'Binnacle pad', limit: 'link' })
    expect(through.links.map((l) => l.passesW)).toEqual([54, expect.closeTo(12.6 * 0.79, 9)])
    // One that names no levels takes what it can pass on and what it uses itself.
    const plain = agreeAlong(device({ maxWatts: 90 }), [wall, dock({ takes: '', ratedWatts: 40, drawsW: 6 })])
    expect(plain.links[0].takes.watts).toBeCloseTo(46, 9)
    // The dock lives on what it gets, and more: nothing comes out behind it, whatever stands there.
    const starved = agreeAlong(phone, [brick('5V3A', 15), dock({ takes: '5V3A', drawsW: 15 }), pad])
    expect(starved).toMatchObject({ outcome: 'none', watts: 0, amps: 0, meterWatts: 0, limitedBy: 'Quay dock' })
    expect(starved.why).toBe('Quay dock gets too little to pass anything on.')
    // What it takes is not what the brick has: it gets nothing.
    const foreign = agreeAlong(phone, [brick('5V3A', 15), dock({ takes: '20V3A' })])
    expect(foreign.links[0].passesW).toBeLessThanOrEqual(15)
    expect(() => agreeAlong(phone, [])).toThrow(/at least one link/)
  }) // prettier-ignore

  it('begins where nothing is taken from anybody, and is as the shelf has it', () => {
    const link = (id: string, takes: string, fedFromId: string | null) =>
      blankSource({ id, name: id, kind: 'dock', ratedWatts: 60, takes, fedFromId })
    const [wall, dock, pad] = [
      link('wall', '', 'dock'),
      link('dock', '20V3A', 'wall'),
      link('pad', '9V2A', 'dock'),
    ]
    const shelf = [pad, dock, wall]
    const ids = (...args: Parameters<typeof chainTo>) => chainTo(...args).map((s) => s.id)
    expect(ids(pad, shelf)).toEqual(['wall', 'dock', 'pad'])
    expect(ids(wall, shelf)).toEqual(['wall'])
    expect(ids(pad, shelf, 'wall')).toEqual(['wall', 'pad'])
    expect(ids(pad, shelf, null)).toEqual(['pad'])
    expect(ids(pad, shelf, 'gone')).toEqual(['pad'])
    // Round and round: each stands in it once.
    const [a, b] = [link('a', '9V2A', 'b'), link('b', '9V2A', 'a')]
    expect(ids(a, [a, b])).toEqual(['b', 'a'])
  })

  it('passes nothing on where a link starves, and names it', () => {
    const dock = link({
      name: 'Quay dock',
      kind: 'laptop port',
      takes: '20V3A, min 40W',
      drawsW: 30,
      ports: [portOf('5V3A')],
    })
    expect(agreeAlong(phone, [brick('5V3A', 15), dock])).toMatchObject({
      outcome: 'none',
      watts: 0,
      limit: 'link',
      limitedBy: 'Quay dock',
    })
    expect(() => agreeAlong(phone, [])).toThrow(RangeError)
    // One link alone is a source like any other.
    expect(agreeAlong(phone, [brick('5V3A', 15)])).toMatchObject({ watts: 15, links: [], limitedBy: '' })
  })
})
