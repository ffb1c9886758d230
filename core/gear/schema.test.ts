import { describe, expect, it } from 'vitest'
import { faultOf } from '../trace/fault.fixture'
import { blankCable, blankSource, portOf } from './blanks'
import { cableSchema, meterSchema, observationSchema, sourceSchema } from './schema'

const source = blankSource({
  id: 's',
  name: 'Hawser 20',
  kind: 'wall charger',
  ratedWatts: 20,
  ports: [portOf('9V2.22A')],
})
const cable = blankCable({ id: 'c', name: 'Long grey' })
const meter = { id: 'm', name: 'Tally', kind: 'power meter', place: 'between source and cable' }
const observation = {
  id: 'o',
  deviceId: 'd',
  sourceId: 's',
  outcome: 'slow',
  when: '2026-03-02T19:00:00.000Z',
}

const holds = (schema: { validateSync: (value: unknown) => unknown }, base: object, over: object) =>
  expect(faultOf(schema, { ...base, ...over }), JSON.stringify(over)).toBe('')

describe('a source', () => {
  it.each<[object, RegExp]>([
    [{ name: ' ' }, /name/i],
    [{ kind: 'hammock' }, /Choose a kind/],
    [{ kind: undefined }, /Choose a kind/],
    [{ ratedWatts: 0 }, /Rated watts must be/],
    [{ ratedWatts: 500.5 }, /Rated watts must be at most 500 W/],
    [{ ratedWatts: '' }, /Give rated watts/],
    [{ ports: Array(33).fill(source.ports[0]) }, /32/],
    [{ ports: [{ name: 'x'.repeat(41), ratedWatts: null, offers: [] }] }, /40/],
    [{ ports: [{ name: 'C', ratedWatts: 501, offers: [] }] }, /What a port gives must be at most 500 W/],
    [{ ports: [{ name: 'C', ratedWatts: null, offers: Array(65).fill(source.ports[0].offers[0]) }] }, /64/],
    [{ takes: '9V2A; lots' }, /Not understood: lots\. Write it like 9V2A, 20V3A\./],
    [{ efficiencyPercent: 101 }, /Efficiency must be at most 100 %/],
    [{ drawsW: -1 }, /Own draw must be at least 0 W/],
    [{ drawsW: 501 }, /Own draw must be at most 500 W/],
    [{ price: -1 }, /Price must be at least 0/],
    [{ price: 100_001 }, /Price must be at most 100000/],
    [{ weightG: 50_001 }, /Weight must be at most 50000 g/],
    [{ size: 'x'.repeat(81) }, /80/],
  ])('%#', (over, fault) => expect(faultOf(sourceSchema, { ...source, ...over })).toMatch(fault))

  it('holds at its bounds, and comes back as it was', () => {
    expect(sourceSchema.validateSync(source)).toEqual(source)
    for (const over of [{ ratedWatts: 500 }, { price: 0 }, { drawsW: 0 }, { takes: '9V2A, 20V3A' }, { efficiencyPercent: 100 }])
      holds(sourceSchema, source, over) // prettier-ignore
    expect(blankSource({ id: 's', name: 'x', kind: 'wall charger', ratedWatts: 5 })).toMatchObject({
      ports: [],
      owned: true,
      inBox: false,
      fedFromId: null,
    })
  })
})

describe('an offer', () => {
  const offered = (offer: unknown) =>
    faultOf(sourceSchema, { ...source, ports: [{ name: 'C', ratedWatts: null, offers: [offer] }] })
  it.each([
    { kind: 'fixed', volts: 0.1, amps: 0.001 },
    { kind: 'fixed', volts: 60, amps: 20 },
    { kind: 'adjustable', minVolts: 3.3, maxVolts: 60, amps: 3 },
    { kind: 'legacy', amps: 1.5 },
    { kind: 'type-c', amps: 3 },
    { kind: 'family', family: 'x'.repeat(80), volts: 10, amps: 5 },
    { kind: 'wireless', watts: 0.01 },
    { kind: 'wireless', watts: 500 },
  ])('%o holds', (offer) => expect(offered(offer)).toBe(''))

  it.each([
    null,
    'a volt',
    { kind: 'fixed', volts: 0.09, amps: 3 },
    { kind: 'fixed', volts: 60.1, amps: 3 },
    { kind: 'fixed', volts: 9, amps: 0 },
    { kind: 'fixed', volts: 9, amps: 20.1 },
    { kind: 'fixed', volts: NaN, amps: 3 },
    { kind: 'adjustable', minVolts: 11, maxVolts: 11, amps: 3 },
    { kind: 'adjustable', minVolts: 0, maxVolts: 11, amps: 3 },
    { kind: 'adjustable', minVolts: 3.3, maxVolts: 61, amps: 3 },
    { kind: 'legacy' },
    { kind: 'family', volts: 10, amps: 5 },
    { kind: 'family', family: 'x'.repeat(81), volts: 10, amps: 5 },
    { kind: 'family', family: 'Ebb', volts: 61, amps: 5 },
    { kind: 'wireless', watts: 0 },
    { kind: 'wireless', watts: 501 },
    { kind: 'tide', volts: 9, amps: 3 },
  ])('%o is not readable', (offer) => expect(offered(offer)).toBe('An offer is not readable.'))

  it('keeps what belongs to its kind and nothing else', () => {
    const offers = [
      { kind: 'fixed', volts: 9, amps: 3, watts: 27 },
      { kind: 'legacy', amps: 1.5, volts: 5 },
      { kind: 'wireless', watts: 15, amps: 1 },
      { kind: 'adjustable', minVolts: 3.3, maxVolts: 11, amps: 3, volts: 9 },
      { kind: 'family', family: 'Ebb', volts: 10, amps: 5, minVolts: 3 },
    ]
    const kept = sourceSchema.validateSync({ ...source, ports: [{ name: 'C', ratedWatts: null, offers }] })
    expect(kept.ports[0].offers).toEqual([
      { kind: 'fixed', volts: 9, amps: 3 },
      { kind: 'legacy', amps: 1.5 },
      { kind: 'wireless', watts: 15 },
      { kind: 'adjustable', minVolts: 3.3, maxVolts: 11, amps: 3 },
      { kind: 'family', family: 'Ebb', volts: 10, amps: 5 },
    ])
  })
})

describe('a cable', () => {
  it.each<[object, RegExp]>([
    [{ lengthM: 0 }, /Length must be/],
    [{ lengthM: 21 }, /Length must be at most 20 m/],
    [{ maxAmps: 11 }, /Current limit must be at most 10 A/],
    [{ maxAmps: '' }, /Give current limit/],
    [{ maxVolts: 61 }, /Most volts must be at most 60 V/],
    [{ familyAmps: 21 }, /Amperes for its family must be at most 20 A/],
    [{ price: 100_001 }, /Price must be at most/],
    [{ connectors: 'x'.repeat(81) }, /80/],
    [{ dataRating: 'x'.repeat(81) }, /80/],
    [{ family: 'x'.repeat(81) }, /80/],
  ])('%#', (over, fault) => expect(faultOf(cableSchema, { ...cable, ...over })).toMatch(fault))

  it('holds at its bounds; nothing known is unmarked and owned', () => {
    expect(cableSchema.validateSync(cable)).toEqual(cable)
    expect(cable).toMatchObject({
      marked: false,
      extendedRange: false,
      owned: true,
      maxAmps: 3,
      lengthM: null,
    })
    for (const over of [{ lengthM: 20 }, { maxAmps: 10 }, { maxVolts: 60 }, { familyAmps: 20 }])
      holds(cableSchema, cable, over)
  })
})

describe('a meter, and what was seen', () => {
  it.each<[object, RegExp]>([
    [{ kind: 'ruler' }, /Choose a kind/],
    [{ place: 'nowhere' }, /Choose where it sits/],
    [{ resolution: 11 }, /Resolution must be at most 10/],
    [{ resolutionAmps: 11 }, /Resolution in amperes must be at most 10 A/],
    [{ accuracyPercent: 51 }, /Accuracy must be at most 50 %/],
    [{ accuracyPercent: -1 }, /Accuracy must be at least 0 %/],
    [{ accuracyDigits: 1001 }, /Accuracy in digits must be at most 1000/],
    [{ intervalS: 7201 }, /Interval must be at most 7200 s/],
    [{ intervalS: 0 }, /Interval must be/],
  ])('meter %#', (over, fault) => expect(faultOf(meterSchema, { ...meter, ...over })).toMatch(fault))

  it.each<[object, RegExp]>([
    [{ outcome: 'sings' }, /Choose what was seen/],
    [{ deviceId: '' }, /is missing|not usable/],
    [{ when: 'then' }, /is not a moment/],
    [{ volts: 61 }, /Volts must be at most 60 V/],
    [{ volts: -1 }, /Volts must be at least 0 V/],
    [{ amps: 21 }, /Amperes must be at most 20 A/],
    [{ amps: -21 }, /Amperes must be at least −20 A/],
    [{ watts: -501 }, /Watts must be at least −500 W/],
    [{ watchedS: 86_401 }, /Watched must be at most 86400 s/],
    [{ note: 'x'.repeat(401) }, /400/],
    [{ sound: 'x'.repeat(81) }, /80/],
    [{ awake: 'dozing' }, /awake/],
  ])('observation %#', (over, fault) =>
    expect(faultOf(observationSchema, { ...observation, ...over })).toMatch(fault),
  )

  it('hold as they are, with nothing known where nothing is said', () => {
    holds(meterSchema, meter, { accuracyPercent: 50, accuracyDigits: 0, intervalS: 7200 })
    for (const awake of ['awake', 'asleep', null]) holds(observationSchema, observation, { awake })
    expect(observationSchema.validateSync(observation)).toMatchObject({
      cableId: null,
      volts: null,
      amps: null,
      watts: null,
      watchedS: null,
      awake: null,
      note: '',
      sound: '',
    })
  })
})
