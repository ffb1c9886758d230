import { describe, expect, it } from 'vitest'
import type { ValidationError } from 'yup'
import type { Agreement, Limit, Outcome } from './agree'
import { blankCable, blankSource, portOf } from './blanks'
import { capacityOf } from './capacity'
import { joinCorrections, ratingChanges, ratingLabel } from './corrections'
import { blankDevice, deviceSchema, typedDeviceFields } from './deviceFields'
import type { Observation, ObservedOutcome } from './gear'
import { UNNOTED } from './gear'
import { gridRow, LIMIT_WORDS } from './grid'
import { disagreement, EXPECTED_WORDS, OBSERVED_WORDS } from './observed'
import { cableSchema, meterSchema, observationSchema, sourceSchema } from './schema'

const device = blankDevice({ id: 'd', name: 'Skerry P5', kind: 'phone', maxWatts: 20, fixedVolts: [9] })
const source = blankSource({
  id: 's',
  name: 'Hawser 20',
  kind: 'wall charger',
  ratedWatts: 20,
  ports: [portOf('5V3A, 9V2.22A')],
})
/** What a schema says of a record, path by path; nothing where it holds. */
const said = (
  schema: { validateSync(v: unknown, o: object): unknown },
  record: object,
): Record<string, string> => {
  try {
    schema.validateSync(record, { abortEarly: false })
    return {}
  } catch (error) {
    const { inner, path, message } = error as ValidationError
    return Object.fromEntries(
      (inner.length ? inner : [{ path, message }]).map((e) => [e.path ?? '', e.message]),
    )
  }
}
const ofDevice = (over: object) => said(deviceSchema, { ...device, ...over })

describe('the form of a device', () => {
  it('names every field once, and numbers have a unit or say what they are', () => {
    const labels = typedDeviceFields.map((f) => f.label)
    expect(new Set(labels).size).toBe(labels.length)
    for (const { label, input, unit, hint } of typedDeviceFields) {
      expect(label).toMatch(/^[A-Za-z].{2,}/)
      if (input === 'number')
        expect(`${label}: ${unit ?? hint}`).toMatch(/: (mAh|Wh|W|V|A|h|%|Between 0 and 1)$/)
    }
  })

  it.each([
    ['capacityMah', 'mAh', 100_000],
    ['capacityWh', 'Wh', 1000],
    ['nominalVolts', 'V', 60],
    ['maxWatts', 'W', 500],
    ['wirelessWatts', 'W', 200],
    ['legacyAmps', 'A', 5],
    ['enduranceHours', 'h', 1000],
  ])('%s is more than nothing and no more than can be, in %s', (field, unit, most) => {
    expect(ofDevice({ [field]: most })).toEqual({})
    expect(ofDevice({ [field]: null })).toEqual({})
    expect(ofDevice({ [field]: 0 })[field]).toMatch(/must be more than 0/)
    expect(ofDevice({ [field]: most + 1 })[field]).toContain(`${most} ${unit}`)
    expect(ofDevice({ [field]: 'much' })[field]).toMatch(/must be a number/)
  })

  it('reads thousands as boxes print them', () => {
    expect(deviceSchema.cast({ ...device, capacityMah: '4,200' } as never).capacityMah).toBe(4200)
    const { price, weightG } = sourceSchema.cast({ ...source, price: '1,299', weightG: '1.200' } as never)
    expect([price, weightG]).toEqual([1299, 1200])
  })

  it('takes 0 as the least it charges from, and bounds that too', () => {
    expect(ofDevice({ minWatts: 0, minVolts: 0 })).toEqual({})
    const odd = ofDevice({ minWatts: 241, minVolts: 49, healthPercent: 121, realUseFactor: 1.1 })
    expect(odd.minWatts).toContain('240 W')
    expect(odd.minVolts).toContain('48 V')
    expect(odd.healthPercent).toContain('120 %')
    expect(odd.realUseFactor).toMatch(/Share in real use/)
    expect(ofDevice({ healthPercent: '' }).healthPercent).toBe('Give health.')
    expect(ofDevice({ kind: 'kettle' }).kind).toBe('Choose a kind.')
    expect(ofDevice({ name: ' ' }).name).toBe('Give it a name.')
    expect(ofDevice({ name: 'x'.repeat(81) }).name).toMatch(/80/)
    expect(ofDevice({ unitLabel: 'x'.repeat(41) }).unitLabel).toMatch(/40/)
    expect(ofDevice({ capacityMah: 4200, capacityWh: 15 })['']).toMatch(/not both/)
  })

  it.each([
    ['3.3–11', 3.3, 11],
    [' 3,3 V - 11,25 V ', 3.3, 11.25],
    ['5to20V', 5, 20],
    ['10 — 21', 10, 21],
  ])('reads the range %s', (typed, minVolts, maxVolts) => {
    expect(deviceSchema.cast({ ...device, adjustable: typed } as never).adjustable).toEqual({
      minVolts,
      maxVolts,
    })
  })

  it('refuses a range that is none', () => {
    const faults = (adjustable: unknown) => Object.values(ofDevice({ adjustable })).join(' ')
    expect(faults('')).toBe('')
    expect(faults(null)).toBe('')
    expect(faults('11')).toMatch(/Write the range like 3\.3–11/)
    expect(faults('about 3-11')).toMatch(/Write the range/)
    expect(faults('3-11 or so')).toMatch(/Write the range/)
    expect(faults('11–3.3')).toBe('Highest volts must be above the lowest.')
    expect(faults('5-5')).toBe('Highest volts must be above the lowest.')
    expect(faults('0.5–11')).toMatch(/at least 1/)
    expect(faults('5–61')).toMatch(/at most 60/)
  })

  it('keeps its corrections within bounds', () => {
    const entry = { field: 'maxWatts', from: '60', to: '65', why: 'misread', when: '2026-03-01T12:00:00Z' }
    expect(ofDevice({ corrections: [entry] })).toEqual({})
    for (const odd of [{ why: '' }, { field: 'x'.repeat(61) }, { why: 'x'.repeat(401) }, { when: 'soon' }])
      expect(Object.keys(ofDevice({ corrections: [{ ...entry, ...odd }] }))).toHaveLength(1)
  })
})

describe('the other gear', () => {
  it('keeps an offer of each kind with what belongs to it, and nothing else', () => {
    const keep = (offer: object) => {
      const ports = [{ name: 'C', offers: [offer] }]
      return sourceSchema.cast(sourceSchema.validateSync({ ...source, ports })).ports[0].offers[0]
    }
    const kinds = [
      { kind: 'fixed', volts: 9, amps: 3 },
      { kind: 'adjustable', minVolts: 3.3, maxVolts: 11, amps: 3 },
      { kind: 'type-c', amps: 3 },
      { kind: 'legacy', amps: 2.4 },
      { kind: 'family', family: 'Tideway', volts: 10, amps: 5 },
      { kind: 'wireless', watts: 15 },
    ]
    for (const offer of kinds) expect(keep({ ...offer, watts: 15, odd: 1 })).toEqual(offer)
  })

  it.each([
    [{ kind: 'fixed', volts: 61, amps: 3 }],
    [{ kind: 'fixed', volts: 9, amps: 0 }],
    [{ kind: 'fixed', volts: 9, amps: 21 }],
    [{ kind: 'adjustable', minVolts: 11, maxVolts: 11, amps: 3 }],
    [{ kind: 'adjustable', minVolts: 0, maxVolts: 11, amps: 3 }],
    [{ kind: 'family', family: 7, volts: 9, amps: 3 }],
    [{ kind: 'family', family: 'x'.repeat(81), volts: 9, amps: 3 }],
    [{ kind: 'wireless', watts: 0 }],
    [{ kind: 'other', amps: 1 }],
    [null],
    ['5V3A'],
  ])('refuses the offer %j', (offer) => {
    const faults = said(sourceSchema, { ...source, ports: [{ name: 'C', offers: [offer] }] })
    expect(Object.values(faults)).toEqual(['An offer is not readable.'])
  })

  it('says what is wrong with a source, a cable, a meter, an observation', () => {
    const odd = said(sourceSchema, {
      ...source,
      kind: 'sun',
      ratedWatts: 0,
      efficiencyPercent: 101,
      takes: 'a lot',
    })
    expect(odd).toMatchObject({
      kind: 'Choose a kind.',
      ratedWatts: expect.stringMatching(/Rated watts must be more than 0/),
      efficiencyPercent: expect.stringContaining('100 %'),
      takes: expect.stringMatching(/Not understood: a lot/),
    })
    expect(said(sourceSchema, { ...source, ratedWatts: '' }).ratedWatts).toBe('Give rated watts.')
    const cable = blankCable({ id: 'c', name: 'Grey' })
    expect(said(cableSchema, cable)).toEqual({})
    expect(
      said(cableSchema, { ...cable, maxAmps: 11, lengthM: 21, maxVolts: 0, familyAmps: 21 }),
    ).toMatchObject({
      maxAmps: expect.stringContaining('10 A'),
      lengthM: expect.stringContaining('20 m'),
      maxVolts: expect.stringMatching(/Most volts/),
      familyAmps: expect.stringContaining('20 A'),
    })
    const meter = {
      ...meterSchema.getDefault(),
      id: 'm',
      name: 'Tally',
      kind: 'scales',
      place: 'nowhere',
      intervalS: 0,
    }
    expect(said(meterSchema, meter)).toMatchObject({
      kind: 'Choose a kind.',
      place: 'Choose where it sits.',
      intervalS: expect.stringMatching(/Interval must be more than 0/),
    })
    const seen = {
      id: 'o',
      deviceId: 'd',
      sourceId: 's',
      cableId: null,
      outcome: 'sings',
      note: '',
      when: 'then',
    }
    expect(said(observationSchema, seen)).toMatchObject({
      outcome: 'Choose what was seen.',
      when: expect.any(String),
    })
  })
})

describe('corrections of a rating', () => {
  it('are told in words, whatever was changed', () => {
    const after = {
      ...source,
      ports: [portOf('9V3A; rated 18W', 'C1'), portOf('5V2A', 'A')],
      efficiencyPercent: 90,
    }
    expect(ratingChanges(source, after)).toEqual([
      { field: 'ports', label: 'offers', from: 'C: 5V 3A, 9V 2.22A', to: 'C1: 9V 3A; rated 18W | A: 5V 2A' },
      { field: 'efficiencyPercent', label: 'efficiency, %', from: 'not known', to: '90' },
    ])
    expect(ratingChanges(source, { ...source, ports: [] })[0].to).toBe('none')
    const better = {
      ...device,
      adjustable: { minVolts: 5, maxVolts: 11 },
      fixedVolts: [15, 9],
      family: 'Ebb',
    }
    expect(ratingChanges(device, better).map((c) => [c.from, c.to])).toEqual([
      ['9', '9, 15'],
      ['not known', '5–11 V'],
      ['not known', 'Ebb'],
    ])
    const cable = blankCable({ id: 'c', name: 'Grey' })
    expect(ratingChanges(cable, { ...cable, marked: true })).toEqual([
      { field: 'marked', label: 'marker chip', from: 'no', to: 'yes' },
    ])
    expect([ratingLabel('maxAmps'), ratingLabel('name')]).toEqual(['current limit, A', 'name'])
  })

  it('of both sides stand once, in order of time', () => {
    const at = (when: string, to: string) => ({ field: 'maxWatts', from: '60', to, why: 'misread', when })
    const [a, b, c] = [at('2026-03-01', '65'), at('2026-03-02', '66'), at('2026-03-03', '67')]
    expect(joinCorrections([b, c], [a, b])).toEqual([a, b, c])
  })
})

it('works a usable capacity out, and how well it is known', () => {
  // 4200 mAh × 3.85 V, assumed for one cell, at 88 %.
  const known = capacityOf({ ...device, capacityMah: 4200, healthPercent: 88 })
  expect(known.usableWh).toBeCloseTo(16.17 * 0.88, 9)
  expect(known.assumedVolts).toBe(true)
  const stated = capacityOf({ ...device, capacityWh: 56 })
  expect(stated).toMatchObject({ ratedWh: 56, usableWh: 56, assumedVolts: false })
  // Whole percent of health: one of a hundred, rectangular (GUM §4.3.7).
  expect(stated.uncertainty).toBeCloseTo(0.01 / Math.sqrt(12), 9)
  expect(known.uncertainty).toBeGreaterThan(stated.uncertainty)
  expect(capacityOf({ ...device, capacityMah: 4000, nominalVolts: 4 })).toMatchObject({
    ratedWh: 16,
    assumedVolts: false,
  })
  expect(capacityOf(device).usableWh).toBeNaN()
})

describe('the grid', () => {
  const seen = (over: Partial<Observation>): Observation => ({
    id: 'o',
    deviceId: 'd',
    sourceId: 's',
    cableId: null,
    outcome: 'slow',
    ...UNNOTED,
    note: '',
    when: '2026-03-01T12:00:00Z',
    ...over,
  })
  const cable = blankCable({ id: 'c', name: 'Grey' })

  it('sets what was last seen beside what is expected, and names a contradiction', () => {
    const later = seen({ id: 'later', outcome: 'charges', when: '2026-03-02T12:00:00Z' })
    const others = [seen({ deviceId: 'x' }), seen({ sourceId: 'x' })]
    const [cell] = gridRow(source, [device], null, [seen({}), later, ...others])
    expect(cell.seen.map((o) => o.id)).toEqual(['later', 'o'])
    expect(cell).toMatchObject({
      share: expect.closeTo(19.98 / 20, 9),
      contradiction: null,
      expected: { watts: expect.closeTo(19.98, 9) },
    })
    expect(gridRow(source, [device], null, [seen({})])[0].contradiction).toMatch(/Expected “charges”/)
    expect(gridRow(source, [device], null, [])[0]).toMatchObject({ seen: [], contradiction: null })
  })

  it('counts what was seen through this cable, or through one that nobody named', () => {
    const all = [
      seen({ id: 'mine', cableId: 'c' }),
      seen({ id: 'other', cableId: 'x' }),
      seen({ id: 'none' }),
    ]
    const [cell] = gridRow(source, [device], cable, all)
    expect(cell.seen.map((o) => o.id).sort()).toEqual(['mine', 'none'])
    expect(gridRow(source, [device], null, all)[0].seen).toHaveLength(3)
  })

  it('follows a chain where a source takes from another', () => {
    const pad = blankSource({
      id: 'p',
      name: 'Pad',
      kind: 'wireless pad',
      ratedWatts: 15,
      takes: '5V1A',
      efficiencyPercent: 80,
    })
    const coil = { ...device, wirelessWatts: 12 }
    expect(gridRow(pad, [coil], null, [])[0]).toMatchObject({ share: 1, expected: { watts: 12 } })
    const shelf = [source, { ...pad, fedFromId: source.id }]
    const fed = { watts: 4, limit: 'link' }
    expect(gridRow(pad, [coil], null, [], shelf, source.id)[0].expected).toMatchObject(fed)
    // As the shelf has it, unless it is said otherwise.
    expect(gridRow(shelf[1], [coil], null, [], shelf)[0].expected).toMatchObject(fed)
    expect(gridRow(shelf[1], [coil], null, [], shelf, null)[0].expected.watts).toBe(12)
    expect(gridRow(source, [coil], null, [], shelf, source.id)[0].expected.protocol).toBe('pd-fixed')
    expect(gridRow(source, [{ ...device, maxWatts: null }], null, [])[0].share).toBeNaN()
  })

  it('has a word of its own for every limit and outcome', () => {
    for (const words of [LIMIT_WORDS, EXPECTED_WORDS, OBSERVED_WORDS]) {
      const all = Object.values(words)
      expect(new Set(all).size).toBe(all.length)
      for (const word of all) expect(word).toMatch(/^[a-z].{3,}/)
    }
    expect(Object.keys(LIMIT_WORDS)).toContain('port' satisfies Limit)
  })
})

it.each<[Outcome, ObservedOutcome, RegExp]>([
  ['connected', 'slow', /more than its record says.*least watts/],
  ['none', 'charges', /more than its record says/],
  ['charges', 'slow', /Check the cable, the port.*hot or nearly full/],
  ['slow', 'charges', /largest power and the source’s offers/],
  ['charges', 'loses', /uses more than it gets/],
  ['slow', 'refuses', /cable and the port first/],
  ['charges', 'refuses', /cable and the port first/],
])('advises on %s expected and %s seen', (outcome, seen, advice) => {
  const found = disagreement({ outcome } as Agreement, seen)
  expect(found).toContain(`Expected “${EXPECTED_WORDS[outcome]}”, seen “${OBSERVED_WORDS[seen]}”.`)
  expect(found).toMatch(advice)
})
