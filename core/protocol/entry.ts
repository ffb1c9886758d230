import { boolean, object, string } from 'yup'
import { TEMPERATURE_BOUNDS } from '../trace/bounds'
import { CHANNELS, channel, type Channel } from '../trace/channels'
import { grouped } from '../trace/decimal'
import { neededNumber, typedNumber } from '../trace/typedNumber'

/** Channels whose label does not say what was typed. */
const LABELS: Partial<Record<Channel, string>> = { percent: 'The battery level', power: 'Watts' }

/** A reading as typed at the bench: an empty field is "not read", a decimal comma is a point. */
export const entrySchema = object(
  Object.fromEntries(
    CHANNELS.map((c) => [
      c,
      typedNumber(LABELS[c] ?? channel(c).label, ...channel(c).bounds, ` ${channel(c).unit}`),
    ]),
  ) as Record<Channel, ReturnType<typeof typedNumber>>,
).test('something', 'Type the battery level, the power, or both.', (entry) =>
  Object.values(entry).some((v) => v !== undefined),
)

/** Counters count charge in thousandths, as meters show it: what is typed as mAh is kept in Ah. */
export function fromMeterUnits(typed: Partial<Record<Channel, string>>): Partial<Record<Channel, string>> {
  const milliampHours = grouped((typed.counterAh ?? '').replace(/\s*mAh\s*$/i, ''))
  return Number.isNaN(milliampHours) ? typed : { ...typed, counterAh: String(milliampHours / 1000) }
}

/** What is asked before the clock starts. */
export const startLevelSchema = neededNumber('The start level', 0, 100, ' %')

/** A corrected value, and why. An empty value means "not read". */
export const correctionSchema = (label: string, [low, high]: readonly [number, number], unit: string) =>
  object({
    value: typedNumber(label, low, high, unit),
    why: string().trim().required('Say why, so that it is known later.'),
  })

/** How a run is stopped by hand: a spoilt one says what spoilt it. */
export const stopSchema = object({
  reason: string()
    .trim()
    .defined()
    .max(400)
    .when('spoilt', {
      is: true,
      then: (reason) => reason.required('Say what spoilt it, so that it is known later.'),
    }),
  spoilt: boolean().required(),
})

/** A temperature as typed, °C. */
export const degreesSchema = neededNumber('Degrees', ...TEMPERATURE_BOUNDS, ' °C')

/** What an item of the checklist asks for: a level of the battery, a rest, or a temperature of the room. */
export const askedSchema = (unit: string) =>
  unit === '%'
    ? neededNumber('The level', 0, 100, ' %')
    : unit === 'min'
      ? neededNumber('The rest', 0, 10_000, ' min')
      : neededNumber('The temperature', -40, 80, ' °C')

/** How far a stream's clock is moved, s: an hour either way. */
export const shiftSchema = neededNumber('The shift', -3600, 3600, ' s')

/** How far one file's clock lies from another's, s: a year either way, for files that count from an epoch. */
export const offsetSchema = neededNumber('The offset', -366 * 86_400, 366 * 86_400, ' s')
