import { number, object, string } from 'yup'
import { decimal } from '../trace/decimal'
import { CHANNELS, channel, type Channel } from '../trace/channels'

const typed = (label: string, low: number, high: number, unit: string) =>
  number()
    .transform((value, original) => {
      if (typeof original !== 'string') return value
      const text = original.trim()
      return text === '' ? undefined : decimal(text)
    })
    .typeError(`${label} must be a number.`)
    .min(low, `${label} cannot be below ${low}${unit}.`)
    .max(high, `${label} cannot be above ${high}${unit}.`)

/** Channels whose label does not say what was typed. */
const LABELS: Partial<Record<Channel, string>> = { percent: 'The battery level', power: 'Watts' }

/** A reading as typed at the bench: an empty field is "not read", a decimal comma is a point. */
export const entrySchema = object(
  Object.fromEntries(
    CHANNELS.map((c) => [
      c,
      typed(LABELS[c] ?? channel(c).label, ...channel(c).bounds, ` ${channel(c).unit}`),
    ]),
  ) as Record<Channel, ReturnType<typeof typed>>,
).test('something', 'Type the battery level, the power, or both.', (entry) =>
  Object.values(entry).some((v) => v !== undefined),
)

/** What is asked before the clock starts. */
export const startLevelSchema = typed('The start level', 0, 100, ' %').required('Give the start level.')
export const intervalSchema = typed('The interval', 0.1, 120, ' min').required(
  'Give the interval in minutes.',
)

/** A corrected value, and why. An empty value means "not read". */
export const correctionSchema = (label: string, [low, high]: readonly [number, number], unit: string) =>
  object({
    value: typed(label, low, high, unit),
    why: string().trim().required('Say why, so that it is known later.'),
  })
