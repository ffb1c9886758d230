import { array, boolean, mixed, number, object, string, type ObjectSchema } from 'yup'
import { id, isBetween, moment, optionalId } from '../trace/fields'
import {
  DEVICE_KINDS,
  METER_KINDS,
  METER_PLACES,
  OBSERVED_OUTCOMES,
  SOURCE_KINDS,
  type Cable,
  type Device,
  type Meter,
  type Observation,
  type Offer,
  type RatingCorrection,
  type Source,
} from './gear'

/** An empty field is "not known", never zero. A decimal comma is a decimal point. */
const optional = (label: string, low: number, high: number, unit = '') =>
  number()
    .transform((value, original) => {
      if (original === '' || original === null || original === undefined) return null
      return typeof original === 'string' ? Number(original.replace(',', '.')) : value
    })
    .typeError(`${label} must be a number.`)
    .min(low, `${label} must be at least ${low}${unit}.`)
    .max(high, `${label} must be at most ${high}${unit}.`)
    .nullable()
    .defined()
    .default(null)

const positive = (label: string, high: number, unit = '') =>
  optional(label, 0, high, unit).test(
    'positive',
    `${label} must be more than 0.`,
    (v) => v === null || v === undefined || v > 0,
  )

const text = (max = 2000) =>
  string().trim().max(max, `Keep it under ${max} characters.`).defined().default('')
const name = () => string().trim().required('Give it a name.').max(80, 'Keep the name under 80 characters.')

/** "3.3–11" as typed into one field. What is not a range is left for the checks to refuse. */
const rangeFromText = (value: unknown, original: unknown) => {
  if (original === '' || original === null) return null
  if (typeof original !== 'string') return value
  const parts = /^\s*(\d+(?:[.,]\d+)?)\s*V?\s*(?:[-–—]|to)\s*(\d+(?:[.,]\d+)?)\s*V?\s*$/i.exec(original)
  if (!parts) return { minVolts: NaN, maxVolts: NaN }
  const [minVolts, maxVolts] = parts.slice(1).map((n) => Number(n.replace(',', '.')))
  return { minVolts, maxVolts }
}

const range = object({
  minVolts: number()
    .typeError('Write the range like 3.3–11.')
    .min(1, 'Lowest volts must be at least 1.')
    .required('Give the lowest volts.'),
  maxVolts: number()
    .typeError('Write the range like 3.3–11.')
    .max(60, 'Highest volts must be at most 60.')
    .required('Give the highest volts.')
    .test('order', 'Highest volts must be above the lowest.', function (v) {
      return v === undefined || v > this.parent.minVolts
    }),
})

/** Corrections of an item's ratings, kept with it. */
const correctionsField = () =>
  array(
    object({
      field: string().required('is missing').max(60),
      from: text(4000),
      to: text(4000),
      why: string().required('is missing').max(400),
      when: moment(),
    }) satisfies ObjectSchema<RatingCorrection>,
  )
    .defined()
    .default([])
    .max(2000)

/** A device as stored and as entered. Capacities are bounded by what has ever charged from a small supply. */
export const deviceSchema: ObjectSchema<Device> = object({
  id: id(),
  name: name(),
  kind: mixed<Device['kind']>()
    .oneOf([...DEVICE_KINDS], 'Choose a kind.')
    .required('Choose a kind.'),
  capacityMah: positive('Capacity', 100_000, ' mAh'),
  nominalVolts: positive('Nominal volts', 60, ' V'),
  capacityWh: positive('Capacity', 1000, ' Wh'),
  healthPercent: number()
    .transform((v, original) => (typeof original === 'string' ? Number(original.replace(',', '.')) : v))
    .typeError('Health must be a number.')
    .min(1, 'Health must be at least 1 %.')
    .max(120, 'Health must be at most 120 %.')
    .required('Give the battery’s health; 100 when new.'),
  maxWatts: positive('Most it takes', 500, ' W'),
  minWatts: optional('Least it charges from', 0, 240, ' W'),
  minVolts: optional('Least volts', 0, 48, ' V'),
  fixedVolts: array(number().min(1).max(60).required()).defined().default([]).max(32),
  adjustable: range.transform(rangeFromText).nullable().defined().default(null),
  family: text(80),
  wirelessWatts: positive('Most without a wire', 200, ' W'),
  enduranceHours: positive('Hours of use', 1000, ' h'),
  realUseFactor: positive('Share in real use', 1),
  claims: text(),
  unitLabel: text(40),
  notes: text(),
  corrections: correctionsField(),
}).test(
  'one-capacity',
  'Give the capacity in mAh or in Wh, not both.',
  (d) => d.capacityMah === null || d.capacityWh === null,
)

/** Most volts and amperes of an offer: 48 V and 5 A is the most a USB port gives; families have a little more. */
const OFFER_VOLTS = 60
const OFFER_AMPS = 20

/** An offer with what belongs to its kind and nothing else; undefined where it is none. */
function cleanOffer(given: unknown): Offer | undefined {
  if (typeof given !== 'object' || given === null) return undefined
  const o = given as Offer
  const volts = (v: unknown) => isBetween(v, 0.1, OFFER_VOLTS)
  if (!isBetween(o.amps, 0.001, OFFER_AMPS)) return undefined
  switch (o.kind) {
    case 'fixed':
      return volts(o.volts) ? { kind: 'fixed', volts: o.volts, amps: o.amps } : undefined
    case 'adjustable':
      return volts(o.minVolts) && volts(o.maxVolts) && o.minVolts < o.maxVolts
        ? { kind: 'adjustable', minVolts: o.minVolts, maxVolts: o.maxVolts, amps: o.amps }
        : undefined
    case 'legacy':
      return { kind: 'legacy', amps: o.amps }
    case 'family':
      return volts(o.volts) && typeof o.family === 'string' && o.family.length <= 80
        ? { kind: 'family', family: o.family, volts: o.volts, amps: o.amps }
        : undefined
    default:
      return undefined
  }
}

const offerSchema = mixed<Offer>((v): v is Offer => cleanOffer(v) !== undefined)
  .transform((v: unknown) => cleanOffer(v) ?? v)
  .typeError('An offer is not readable.')
  .required('An offer is not readable.')

export const sourceSchema: ObjectSchema<Source> = object({
  id: id(),
  name: name(),
  kind: mixed<Source['kind']>()
    .oneOf([...SOURCE_KINDS], 'Choose a kind.')
    .required('Choose a kind.'),
  ratedWatts: number()
    .transform((v, original) =>
      typeof original === 'string' ? Number(original.replace(',', '.') || NaN) : v,
    )
    .typeError('Rated watts must be a number.')
    .moreThan(0, 'Rated watts must be more than 0.')
    .max(500, 'Rated watts must be at most 500 W.')
    .required('Give the rated watts.'),
  ports: array(object({ name: text(40), offers: array(offerSchema).defined().max(64) }))
    .defined()
    .default([])
    .max(32),
  sharing: text(),
  price: optional('Price', 0, 100_000),
  weightG: optional('Weight', 0, 50_000, ' g'),
  size: text(80),
  owned: boolean().defined().default(true),
  notes: text(),
  corrections: correctionsField(),
})

export const cableSchema: ObjectSchema<Cable> = object({
  id: id(),
  name: name(),
  connectors: text(80),
  lengthM: positive('Length', 20, ' m'),
  maxAmps: number()
    .typeError('Current limit must be a number.')
    .moreThan(0, 'Current limit must be more than 0.')
    .max(10, 'Current limit must be at most 10 A.')
    .required(),
  marked: boolean().defined().default(false),
  price: optional('Price', 0, 100_000),
  corrections: correctionsField(),
})

export const meterSchema: ObjectSchema<Meter> = object({
  id: id(),
  name: name(),
  kind: mixed<Meter['kind']>()
    .oneOf([...METER_KINDS], 'Choose a kind.')
    .required('Choose a kind.'),
  resolution: positive('Resolution', 10),
  resolutionAmps: positive('Resolution in amperes', 10, ' A'),
  accuracyPercent: optional('Accuracy', 0, 50, ' %'),
  accuracyDigits: optional('Accuracy in digits', 0, 1000),
  intervalS: positive('Interval', 7200, ' s'),
  place: mixed<Meter['place']>()
    .oneOf([...METER_PLACES], 'Choose where it sits.')
    .required('Choose where it sits.'),
  notes: text(),
  corrections: correctionsField(),
})

export const observationSchema: ObjectSchema<Observation> = object({
  id: id(),
  deviceId: id(),
  sourceId: id(),
  cableId: optionalId(),
  outcome: mixed<Observation['outcome']>()
    .oneOf([...OBSERVED_OUTCOMES], 'Choose what was seen.')
    .required('Choose what was seen.'),
  note: text(400),
  when: moment(),
})
