import { array, number, object, string, type ObjectSchema } from 'yup'
import { decimal } from '../trace/decimal'
import { moment } from '../trace/fields'
import { neededNumber, optionalNumber } from '../trace/typedNumber'

/** A correction of a rating, kept with the item it corrects: the old value stays. */
export interface RatingCorrection {
  field: string
  from: string
  to: string
  why: string
  /** ISO 8601. */
  when: string
}

/** A rating that may be unknown; what is known of it lies above zero. */
export const positive = (label: string, high: number, unit = '', read = decimal) =>
  optionalNumber(label, 0, high, unit, read).test(
    'positive',
    `${label} must be more than 0.`,
    (v) => v === null || v === undefined || v > 0,
  )

/** The same where it cannot be left out. */
export const neededPositive = (label: string, high: number, unit = '') =>
  neededNumber(label, 0, high, unit).moreThan(0, `${label} must be more than 0.`)

/** Free text of at most `max` characters; '' when absent. */
export const text = (max = 2000) =>
  string().trim().max(max, `Keep it under ${max} characters.`).defined().default('')
/** What an item is called: needed, at most 80 characters. */
export const name = () =>
  string().trim().required('Give it a name.').max(80, 'Keep the name under 80 characters.')

/** "3.3–11" as typed into one field. What is not a range is left for the checks to refuse. */
const rangeFromText = (value: unknown, original: unknown) => {
  if (original === '' || original === null) return null
  if (typeof original !== 'string') return value
  const parts = /^\s*(\d+(?:[.,]\d+)?)\s*V?\s*(?:[-–—]|to)\s*(\d+(?:[.,]\d+)?)\s*V?\s*$/i.exec(original)
  if (!parts) return { minVolts: NaN, maxVolts: NaN }
  const [minVolts, maxVolts] = parts.slice(1).map((n) => decimal(n))
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
export const correctionsField = () =>
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

/** The range as a field of a record; null where there is none. */
export const rangeField = () => range.transform(rangeFromText).nullable().defined().default(null)
