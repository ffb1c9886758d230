/** The gear of a test. Volts, amperes, watts, watt-hours, °C, percent. */
import type { RatingCorrection } from './fields'

export { DEVICE_KINDS, type Device, type DeviceKind } from './deviceFields'
export type { RatingCorrection }

/** What charges. */
export const SOURCE_KINDS = [
  'wall charger',
  'wireless pad',
  'power bank',
  'outlet',
  'laptop port',
  'dock',
  'monitor',
] as const
export type SourceKind = (typeof SOURCE_KINDS)[number]

export type Offer =
  | { kind: 'fixed'; volts: number; amps: number }
  | { kind: 'adjustable'; minVolts: number; maxVolts: number; amps: number }
  | { kind: 'type-c'; amps: number }
  | { kind: 'legacy'; amps: number }
  | { kind: 'family'; family: string; volts: number; amps: number }
  | { kind: 'wireless'; watts: number }

export interface Port {
  name: string
  /** Most it gives by itself, W; null where it is not printed. */
  ratedWatts: number | null
  offers: Offer[]
}

export interface Source {
  id: string
  name: string
  kind: SourceKind
  ratedWatts: number
  ports: Port[]
  /** How ports share power, in words. */
  sharing: string
  /** What it takes from a source before it, in the notation of offers; '' where it needs none. */
  takes: string
  /** What it passes on of that, %, and what it uses itself, W; null where nobody says. */
  efficiencyPercent: number | null
  drawsW: number | null
  /** Which source usually stands before it; null where nobody says. */
  fedFromId: string | null
  price: number | null
  weightG: number | null
  /** As measured, e.g. "52 × 52 × 28 mm". */
  size: string
  owned: boolean
  /** Came with a device: what others are set against. */
  inBox: boolean
  notes: string
  corrections: RatingCorrection[]
}

export interface Cable {
  id: string
  name: string
  connectors: string
  lengthM: number | null
  /** Most it carries, A; without a marker chip a source gives no more than 3 A. */
  maxAmps: number
  marked: boolean
  /** Marked for extended range: 28 V and more. */
  extendedRange: boolean
  /** Most volts it is rated for; null where it is not printed. */
  maxVolts: number | null
  /** The proprietary family it is made for, and what it carries for that, A. */
  family: string
  familyAmps: number | null
  /** As printed, e.g. "10 Gbit/s". */
  dataRating: string
  price: number | null
  owned: boolean
  corrections: RatingCorrection[]
}

/** What measures. */
export const METER_KINDS = ['power meter', 'thermometer'] as const
export type MeterKind = (typeof METER_KINDS)[number]

/** Where in the chain it measures. */
export const METER_PLACES = [
  'between source and cable',
  'between cable and device',
  'before the source',
  'on the device',
  'in the room',
] as const
export type MeterPlace = (typeof METER_PLACES)[number]

/** What is measured with. A power meter states its figures for volts and amperes alike, a thermometer for °C. */
export interface Meter {
  id: string
  name: string
  kind: MeterKind
  /** Smallest step it shows: V for a power meter, °C for a thermometer. */
  resolution: number | null
  /** Smallest step of its current, A; null for a thermometer. */
  resolutionAmps: number | null
  /** Stated accuracy: ± this share of the reading, % … */
  accuracyPercent: number | null
  /** … plus this many of the last digit. */
  accuracyDigits: number | null
  /** How often it takes a reading of its own, s; null when it is read by eye. */
  intervalS: number | null
  place: MeterPlace
  notes: string
  corrections: RatingCorrection[]
}

/** What was seen when a device was plugged in, worst last. */
export const OBSERVED_OUTCOMES = ['charges', 'slow', 'connected', 'loses', 'refuses'] as const
export type ObservedOutcome = (typeof OBSERVED_OUTCOMES)[number]

/** What was seen when a device was put on a source, to stand beside what was expected. */
export interface Observation {
  id: string
  deviceId: string
  sourceId: string
  cableId: string | null
  outcome: ObservedOutcome
  note: string
  /** ISO 8601. */
  when: string
  /** What it settled at, as a survey reads it; null where nobody did. V, A, W. */
  volts: number | null
  amps: number | null
  watts: number | null
  /** How long it was watched, s. */
  watchedS: number | null
  /** "once", "every few seconds"; '' where nobody listened. */
  sound: string
  awake: 'awake' | 'asleep' | null
}

/** What of an observation nobody noted. */
export const UNNOTED: Pick<Observation, 'volts' | 'amps' | 'watts' | 'watchedS' | 'sound' | 'awake'> = {
  volts: null,
  amps: null,
  watts: null,
  watchedS: null,
  sound: '',
  awake: null,
}
