import { array, boolean, mixed, number, object, string, type ObjectSchema } from 'yup'
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

/** A device as stored and as entered. Capacities are bounded by what has ever charged from a small supply. */
export const deviceSchema: ObjectSchema<Device> = object({
  id: string().required(),
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
  fixedVolts: array(number().min(1).max(60).required()).defined().default([]),
  adjustable: range.transform(rangeFromText).nullable().defined().default(null),
  family: text(80),
  wirelessWatts: positive('Most without a wire', 200, ' W'),
  enduranceHours: positive('Hours of use', 1000, ' h'),
  realUseFactor: positive('Share in real use', 1),
  claims: text(),
  unitLabel: text(40),
  notes: text(),
}).test(
  'one-capacity',
  'Give the capacity in mAh or in Wh, not both.',
  (d) => d.capacityMah === null || d.capacityWh === null,
)

const offerSchema = mixed<Offer>()
  .required()
  .test('offer', 'An offer is not readable.', (o) => {
    if (typeof o !== 'object' || o === null) return false
    const numbers =
      o.kind === 'adjustable'
        ? [o.minVolts, o.maxVolts, o.amps]
        : o.kind === 'legacy'
          ? [o.amps]
          : [o.volts, o.amps]
    return (
      ['fixed', 'adjustable', 'legacy', 'family'].includes(o.kind) &&
      numbers.every((n) => typeof n === 'number' && n > 0)
    )
  })

export const sourceSchema: ObjectSchema<Source> = object({
  id: string().required(),
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
  ports: array(object({ name: text(40), offers: array(offerSchema).defined() }))
    .defined()
    .default([]),
  sharing: text(),
  price: optional('Price', 0, 100_000),
  weightG: optional('Weight', 0, 50_000, ' g'),
  size: text(80),
  owned: boolean().defined().default(true),
  notes: text(),
})

export const cableSchema: ObjectSchema<Cable> = object({
  id: string().required(),
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
})

export const meterSchema: ObjectSchema<Meter> = object({
  id: string().required(),
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
})

export const observationSchema: ObjectSchema<Observation> = object({
  id: string().required(),
  deviceId: string().required('Choose a device.'),
  sourceId: string().required('Choose a source.'),
  cableId: string().nullable().defined().default(null),
  outcome: mixed<Observation['outcome']>()
    .oneOf([...OBSERVED_OUTCOMES], 'Choose what was seen.')
    .required('Choose what was seen.'),
  note: text(400),
  when: string().required(),
})
