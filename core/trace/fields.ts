import { number, string } from 'yup'

/** Fields that schemas share, each bounded: what comes from outside is never taken without a limit. */

/** Longest id, in characters. Our own are 36 long. */
const ID_MAX = 100
/**
 * Names under which an object keeps things of its own: a key like that would vanish or do harm. And the two that an
 * address takes for the step it stands on and the one above: a record of that name could not be shown.
 */
const RESERVED = new Set(['__proto__', 'constructor', 'prototype', '.', '..'])

/** True for a text that can be the key of a record: not empty, not long, no control characters, no trap. */
export const isPlainKey = (text: unknown, max = ID_MAX): text is string =>
  typeof text === 'string' &&
  text.length > 0 &&
  text.length <= max &&
  !RESERVED.has(text) &&
  // eslint-disable-next-line no-control-regex
  !/[\u0000-\u001F\u007F]/.test(text)

/** An id, or a reference to one. */
export const id = () =>
  string()
    .required('is missing')
    .test('key', 'is not usable as an id', (v) => isPlainKey(v))

/** A reference that may be absent. */
export const optionalId = () =>
  string()
    .nullable()
    .defined()
    .default(null)
    .test('key', 'is not usable as an id', (v) => v === null || v === undefined || isPlainKey(v))

/** Free text up to `max` characters; '' when absent. */
export const freeText = (max: number) => string().defined().default('').max(max, `is longer than ${max}`)

/** A finite number within bounds, both included. */
export const bounded = (low: number, high: number) =>
  number()
    .required('is missing')
    .test('bounds', `must lie between ${low} and ${high}`, (v) => isBetween(v, low, high))

/** A number within bounds, or null where it is not known. */
export const boundedOrNull = (low: number, high: number) =>
  number()
    .nullable()
    .defined()
    .test('bounds', `must lie between ${low} and ${high}`, (v) => v === null || isBetween(v, low, high))

/** True for a finite number within the bounds, both included. */
export const isBetween = (v: unknown, low: number, high: number): v is number =>
  typeof v === 'number' && v >= low && v <= high

const EARLIEST_MS = Date.UTC(1990, 0, 1)
const LATEST_MS = Date.UTC(2200, 0, 1)

/** True for a text that names a moment between 1990 and 2200. */
export const isMoment = (text: unknown): text is string =>
  typeof text === 'string' && text.length <= 40 && isBetween(Date.parse(text), EARLIEST_MS, LATEST_MS)

/** An ISO 8601 moment. */
export const moment = () => string().required('is missing').test('moment', 'is not a moment', isMoment)
