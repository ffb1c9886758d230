import { array, mixed, number, object, type AnySchema, type InferType } from 'yup'
import { id } from '../trace/fields'
import { grouped } from '../trace/decimal'
import { neededNumber, optionalNumber } from '../trace/typedNumber'
import { correctionsField, name, positive, rangeField, text } from './fields'

/** What is charged. */
export const DEVICE_KINDS = ['phone', 'tablet', 'laptop', 'other'] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]

/** How a field is typed: words, lines of words, a number with its unit, one of some, several levels, a range. */
export type FieldInput = 'text' | 'lines' | 'number' | 'kind' | 'levels' | 'range'

/** Everything that is to be known of one field of a device. */
export interface DeviceField {
  schema: AnySchema
  /** On the form; a field without one is not typed. */
  label?: string
  input?: FieldInput
  unit?: string
  hint?: string
  /** What it is called where a correction names it: it says what the thing is rated for, and changes what runs mean. */
  rating?: string
}

/**
 * The one table of a device's fields. Its type, its check, its form, its blank and its corrections go by it: a field is
 * added here and nowhere besides. Capacities are bounded by what has ever charged from a small supply.
 */
export const DEVICE_FIELDS = {
  id: { schema: id() },
  name: { schema: name(), label: 'Name', input: 'text' },
  kind: {
    schema: mixed<DeviceKind>()
      .oneOf([...DEVICE_KINDS], 'Choose a kind.')
      .required('Choose a kind.'),
    label: 'Kind',
    input: 'kind',
  },
  /** Tells equal units apart. */
  unitLabel: { schema: text(40), label: 'Unit label', input: 'text', hint: 'Tells equal units apart' },
  /** As it stands now; each run keeps what it was then. */
  software: { schema: text(80), label: 'Software version', input: 'text' },
  /** Capacity as the maker prints it: either mAh (with nominal volts) or Wh. */
  capacityMah: {
    schema: positive('Capacity', 100_000, ' mAh', grouped),
    label: 'Capacity',
    input: 'number',
    unit: 'mAh',
    rating: 'capacity, mAh',
  },
  nominalVolts: {
    schema: positive('Nominal volts', 60, ' V'),
    label: 'at nominal volts',
    input: 'number',
    unit: 'V',
    hint: '3.85 V is assumed when empty',
    rating: 'nominal volts',
  },
  capacityWh: {
    schema: positive('Capacity', 1000, ' Wh'),
    label: 'or capacity',
    input: 'number',
    unit: 'Wh',
    rating: 'capacity, Wh',
  },
  healthPercent: {
    schema: neededNumber('Health', 1, 120, ' %'),
    label: 'Battery health',
    input: 'number',
    unit: '%',
    rating: 'battery health, %',
  },
  /** Most it takes at its port, W. */
  maxWatts: {
    schema: positive('Most it takes', 500, ' W'),
    label: 'Most it takes',
    input: 'number',
    unit: 'W',
    rating: 'most it takes, W',
  },
  /** Most it takes without a wire, W; null when it has no coil. */
  wirelessWatts: {
    schema: positive('Most without a wire', 200, ' W'),
    label: 'Most without a wire',
    input: 'number',
    unit: 'W',
    hint: 'Empty when it has no coil',
    rating: 'most without a wire, W',
  },
  /** Fixed levels it accepts, V. */
  fixedVolts: {
    schema: array(number().min(1).max(60).required()).defined().default([]).max(32),
    label: 'Levels it accepts',
    input: 'levels',
    hint: 'Empty, with no range and no family: any open level is assumed',
    rating: 'levels it accepts',
  },
  adjustable: {
    schema: rangeField(),
    label: 'Adjustable range',
    input: 'range',
    unit: 'V',
    hint: 'For example 3.3–11',
    rating: 'adjustable range',
  },
  /** Free names of the proprietary families it charges fast with, parted by commas; '' for none. */
  family: {
    schema: text(80),
    label: 'Proprietary families',
    input: 'text',
    hint: 'Free names, the same as on their chargers, parted by commas',
    rating: 'proprietary families',
  },
  /** What it takes at most at a plain 5 V port that signals more than the common 1.5 A. */
  legacyAmps: {
    schema: positive('Amperes at a plain 5 V port', 5, ' A'),
    label: 'At a plain 5 V port',
    input: 'number',
    unit: 'A',
    hint: '1.5 A when empty',
    rating: 'amperes at a plain 5 V port',
  },
  /** Least supply it charges from, W and V. */
  minWatts: {
    schema: optionalNumber('Least it charges from', 0, 240, ' W'),
    label: 'Charges from',
    input: 'number',
    unit: 'W',
    rating: 'least it charges from, W',
  },
  minVolts: {
    schema: optionalNumber('Least volts', 0, 48, ' V'),
    label: 'and from',
    input: 'number',
    unit: 'V',
    rating: 'least volts',
  },
  /** Hours it takes to drain from full before a run, as timed. */
  drainHours: {
    schema: optionalNumber('Hours to drain', 0, 48, ' h'),
    label: 'Drains from full in',
    input: 'number',
    unit: 'h',
    hint: 'Timed on the bench; what is usual for its kind when empty',
  },
  /** Hours of use from full, as claimed, and the share that real use gives (0–1). */
  enduranceHours: {
    schema: positive('Hours of use', 1000, ' h'),
    label: 'Hours of use claimed',
    input: 'number',
    unit: 'h',
    rating: 'hours of use claimed',
  },
  realUseFactor: {
    schema: positive('Share in real use', 1),
    label: 'Share in real use',
    input: 'number',
    hint: 'Between 0 and 1',
    rating: 'share in real use',
  },
  /** Advertised claims, one a line. */
  claims: {
    schema: text(),
    label: 'Advertised claims, one a line',
    input: 'lines',
    hint: 'Like 50 % in 30 min; full in 1 h 20 min',
  },
  notes: { schema: text(), label: 'Notes', input: 'lines' },
  corrections: { schema: correctionsField() },
} satisfies Record<string, DeviceField>

type Fields = typeof DEVICE_FIELDS
type Shape = { [K in keyof Fields]: Fields[K]['schema'] }

/** A device as stored and as entered. */
export const deviceSchema = object(
  Object.fromEntries(Object.entries(DEVICE_FIELDS).map(([key, { schema }]) => [key, schema])) as Shape,
).test(
  'one-capacity',
  'Give the capacity in mAh or in Wh, not both.',
  (d) => d.capacityMah === null || d.capacityWh === null,
)

export type Device = InferType<typeof deviceSchema>

/** The fields that are typed, in the order of the form. */
export const typedDeviceFields = Object.entries(DEVICE_FIELDS as Record<string, DeviceField>).flatMap(
  ([key, field]) =>
    field.label && field.input ? [{ key, ...field, label: field.label, input: field.input }] : [],
)

/**
 * A device with nothing known of it but what is given; health is that of a new one.
 * @example blankDevice({ id: 'd', name: 'Skerry P5', kind: 'phone', capacityWh: 15 })
 */
export const blankDevice = (over: Pick<Device, 'id' | 'name' | 'kind'> & Partial<Device>): Device => ({
  ...(deviceSchema.getDefault() as unknown as Device),
  healthPercent: 100,
  ...over,
})
