import type { Cable, Device, Source } from '@core/gear/gear'
import { blankDevice } from '@core/gear/deviceFields'
import { blankCable, blankSource, portOf } from '@core/gear/blanks'

/**
 * The demo's gear: a small ferry company's drawer of chargers and the crews' devices. All invented.
 * Prices and sizes are made up to be plausible.
 */
const device = (id: string, name: string, over: Partial<Device>): Device =>
  blankDevice({ id, name, kind: 'phone', ...over })

export const devices: Device[] = [
  device('p5', 'Skerry P5', {
    capacityMah: 4200,
    maxWatts: 27,
    fixedVolts: [9],
    adjustable: { minVolts: 5, maxVolts: 11 },
    wirelessWatts: 12,
    enduranceHours: 100,
    realUseFactor: 0.4,
    claims: '50 % in 25 min',
    unitLabel: 'mate’s',
  }),
  device('p5m', 'Skerry P5 Mini', {
    capacityMah: 3150,
    healthPercent: 88,
    // Its levels are not printed anywhere: any open one is assumed.
    maxWatts: 18,
    wirelessWatts: 7.5,
    unitLabel: 'deckhand’s',
  }),
  device('t11', 'Thwart T11', {
    kind: 'tablet',
    capacityWh: 28.9,
    maxWatts: 30,
    fixedVolts: [9, 15],
    family: 'Halyard',
    enduranceHours: 11,
    realUseFactor: 0.8,
  }),
  device('l14', 'Taffrail L14', {
    kind: 'laptop',
    capacityWh: 56,
    maxWatts: 65,
    minWatts: 18,
    minVolts: 9,
    fixedVolts: [9, 15, 20],
    corrections: [
      {
        field: 'maxWatts',
        from: '60',
        to: '65',
        why: 'Read from memory at first; the label under the laptop says 65 W.',
        when: '2026-03-15T20:10:00.000Z',
      },
    ],
  }),
]

const source = (
  id: string,
  name: string,
  ratedWatts: number,
  offers: string,
  over: Partial<Source> = {},
): Source =>
  blankSource({
    id,
    name,
    kind: 'wall charger',
    ratedWatts,
    ports: [portOf(offers)],
    owned: true,
    ...over,
  })

export const sources: Source[] = [
  source('b5', 'Bollard 5', 5, '5V1A', { price: 6, weightG: 24 }),
  source('b12', 'Bollard 12', 12, '5V2.4A', { price: 11, weightG: 38 }),
  source('h20', 'Hawser 20', 20, '5V3A, 9V2.22A', { price: 18, weightG: 46, size: '32 × 30 × 42 mm' }),
  source('h30', 'Hawser 30', 30, '5V3A, 9V3A, 15V2A, 20V1.5A; 3.3–11V 3A adjustable', {
    price: 27,
    weightG: 62,
    owned: false,
  }),
  source('g65', 'Gangway 65', 65, '5V3A, 9V3A, 15V3A, 20V3.25A', {
    price: 44,
    weightG: 118,
    sharing: 'With both ports in use: 45 W and 20 W.',
  }),
  source('g100', 'Gangway 100', 100, '5V3A, 9V3A, 15V3A, 20V5A', {
    ports: [portOf('5V3A, 9V3A, 15V3A, 20V5A'), portOf('legacy 5V2.4A; Halyard 10V2.5A; rated 18W', 'A')],
    price: 69,
    weightG: 182,
    sharing: 'With both ports in use: 65 W and 30 W.',
  }),
  source('bo', 'Bulkhead outlet', 15, '5V3A', {
    kind: 'outlet',
    notes: 'Built in beside the chart table; fitted by the yard’s electrician.',
  }),
  source('bp', 'Binnacle pad', 10, '', {
    kind: 'wireless pad',
    ports: [],
    takes: '5V2A, 9V1.4A',
    fedFromId: 'h20',
    efficiencyPercent: 79,
    price: 24,
    weightG: 95,
  }),
  source('dk', 'Capstan dock', 60, '5V3A, 9V3A, 15V3A, 20V3A', {
    kind: 'dock',
    takes: '20V3.25A, 20V5A',
    efficiencyPercent: 94,
    drawsW: 6,
    fedFromId: 'g65',
    notes: 'At the chart table; the screen hangs on it too.',
  }),
  source('lp', 'Side port of the L14', 15, '5V3A', {
    kind: 'laptop port',
    takes: '20V3.25A',
    drawsW: 52,
    fedFromId: 'g65',
    notes: 'While the laptop itself is fed, and charges.',
  }),
  source('bb', 'Ballast 60', 60, '5V3A, 9V3A, 15V3A, 20V3A', {
    kind: 'power bank',
    takes: '5V3A, 9V3A, 20V3A',
    efficiencyPercent: 88,
    price: 58,
    weightG: 420,
  }),
]

export const cables: Cable[] = [
  blankCable({ id: 'c1', name: 'Long grey', connectors: 'C to C', lengthM: 2, price: 7 }),
  blankCable({
    id: 'c2',
    name: 'Short black, marked',
    connectors: 'C to C',
    lengthM: 1,
    maxAmps: 5,
    marked: true,
    dataRating: '10 Gbit/s',
    price: 14,
  }),
  blankCable({ id: 'c3', name: 'Thin white', connectors: 'A to C', lengthM: 1, maxAmps: 1, price: 3 }),
  blankCable({
    id: 'c5',
    name: 'Thick black, extended range',
    connectors: 'C to C',
    lengthM: 1.8,
    maxAmps: 5,
    marked: true,
    extendedRange: true,
    maxVolts: 50,
    price: 26,
  }),
  blankCable({
    id: 'c4',
    name: 'Came with the T11',
    connectors: 'A to C',
    lengthM: 1,
    family: 'Halyard',
    familyAmps: 4,
    price: 9,
  }),
]
