import { array, boolean, mixed, object, type ObjectSchema } from 'yup'
import { id, isBetween, moment, optionalId } from '../trace/fields'
import { grouped } from '../trace/decimal'
import { optionalNumber } from '../trace/typedNumber'
import { parseOffers } from './offers'
import { correctionsField, name, neededPositive, positive, text } from './fields'

export { deviceSchema } from './deviceFields'

import {
  METER_KINDS,
  METER_PLACES,
  OBSERVED_OUTCOMES,
  SOURCE_KINDS,
  type Cable,
  type Meter,
  type Observation,
  type Offer,
  type Source,
} from './gear'

/** Most volts and amperes of an offer: 48 V and 5 A is the most a USB port gives; families have a little more. */
const OFFER_VOLTS = 60
const OFFER_AMPS = 20

/** An offer with what belongs to its kind and nothing else; undefined where it is none. */
function cleanOffer(given: unknown): Offer | undefined {
  if (typeof given !== 'object' || given === null) return undefined
  const o = given as Offer
  const volts = (v: unknown) => isBetween(v, 0.1, OFFER_VOLTS)
  if (o.kind === 'wireless')
    return isBetween(o.watts, 0.01, 500) ? { kind: 'wireless', watts: o.watts } : undefined
  if (!isBetween(o.amps, 0.001, OFFER_AMPS)) return undefined
  switch (o.kind) {
    case 'fixed':
      return volts(o.volts) ? { kind: 'fixed', volts: o.volts, amps: o.amps } : undefined
    case 'adjustable':
      return volts(o.minVolts) && volts(o.maxVolts) && o.minVolts < o.maxVolts
        ? { kind: 'adjustable', minVolts: o.minVolts, maxVolts: o.maxVolts, amps: o.amps }
        : undefined
    case 'legacy':
    case 'type-c':
      return { kind: o.kind, amps: o.amps }
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

/** A source as it is typed and as it is kept. */
export const sourceSchema: ObjectSchema<Source> = object({
  id: id(),
  name: name(),
  kind: mixed<Source['kind']>()
    .oneOf([...SOURCE_KINDS], 'Choose a kind.')
    .required('Choose a kind.'),
  ratedWatts: neededPositive('Rated watts', 500, ' W'),
  ports: array(
    object({
      name: text(40),
      ratedWatts: positive('What a port gives', 500, ' W'),
      offers: array(offerSchema).defined().max(64),
    }),
  )
    .defined()
    .default([])
    .max(32),
  sharing: text(),
  takes: text(400).test(
    'understood',
    ({ value }) =>
      `Not understood: ${parseOffers(String(value)).unread.join('; ')}. Write it like 9V2A, 20V3A.`,
    (typed) => parseOffers(typed ?? '').unread.length === 0,
  ),
  efficiencyPercent: positive('Efficiency', 100, ' %'),
  drawsW: optionalNumber('Own draw', 0, 500, ' W'),
  fedFromId: optionalId(),
  price: optionalNumber('Price', 0, 100_000, '', grouped),
  weightG: optionalNumber('Weight', 0, 50_000, ' g', grouped),
  size: text(80),
  owned: boolean().defined().default(true),
  inBox: boolean().defined().default(false),
  notes: text(),
  corrections: correctionsField(),
})

/** A cable as it is typed and as it is kept. */
export const cableSchema: ObjectSchema<Cable> = object({
  id: id(),
  name: name(),
  connectors: text(80),
  lengthM: positive('Length', 20, ' m'),
  maxAmps: neededPositive('Current limit', 10, ' A'),
  marked: boolean().defined().default(false),
  extendedRange: boolean().defined().default(false),
  maxVolts: positive('Most volts', 60, ' V'),
  family: text(80),
  familyAmps: positive('Amperes for its family', 20, ' A'),
  dataRating: text(80),
  price: optionalNumber('Price', 0, 100_000, '', grouped),
  owned: boolean().defined().default(true),
  corrections: correctionsField(),
})

/** A meter or thermometer as it is typed and as it is kept. */
export const meterSchema: ObjectSchema<Meter> = object({
  id: id(),
  name: name(),
  kind: mixed<Meter['kind']>()
    .oneOf([...METER_KINDS], 'Choose a kind.')
    .required('Choose a kind.'),
  resolution: positive('Resolution', 10),
  resolutionAmps: positive('Resolution in amperes', 10, ' A'),
  accuracyPercent: optionalNumber('Accuracy', 0, 50, ' %'),
  accuracyDigits: optionalNumber('Accuracy in digits', 0, 1000),
  intervalS: positive('Interval', 7200, ' s'),
  place: mixed<Meter['place']>()
    .oneOf([...METER_PLACES], 'Choose where it sits.')
    .required('Choose where it sits.'),
  notes: text(),
  corrections: correctionsField(),
})

/** What was seen of a pair. */
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
  volts: optionalNumber('Volts', 0, 60, ' V'),
  amps: optionalNumber('Amperes', -20, 20, ' A'),
  watts: optionalNumber('Watts', -500, 500, ' W'),
  watchedS: optionalNumber('Watched', 0, 86_400, ' s'),
  sound: text(80),
  awake: mixed<'awake' | 'asleep'>((v): v is 'awake' | 'asleep' => v === 'awake' || v === 'asleep')
    .nullable()
    .defined()
    .default(null),
})
