import { array, mixed, number, object, type ObjectSchema } from 'yup'
import { bounded, id } from '../trace/fields'
import { neededNumber } from '../trace/typedNumber'
import { explainAbsence, readAnchor, type Anchor } from './clock'

/** A device on its way to the start of a run: drained from one level to another, then rested. Moments in ms since 1970. */
export interface Preparing {
  deviceId: string
  fromPercent: number
  toPercent: number
  /** When draining began. */
  drainFromMs: number
  /** When the start level was reached and the rest began; null while it drains. */
  restFromMs: number | null
  /** How long it is to rest; 0 where nobody asked for it. */
  restMinutes: number
  /** The machine's clocks as they were last seen together; null where nobody could tell. */
  seen: Anchor | null
}

const HOUR_MS = 3_600_000
const MINUTE_MS = 60_000
const LATEST_MS = 1e14

/** What is asked as a device is put to drain. */
export const preparingSchema: ObjectSchema<Preparing> = object({
  deviceId: id(),
  fromPercent: neededNumber('The level now', 0, 100, ' %'),
  toPercent: neededNumber('The start level', 0, 100, ' %').when('fromPercent', ([from], field) =>
    typeof from === 'number' ? field.max(from, 'It cannot drain to more than it shows now.') : field,
  ),
  drainFromMs: bounded(0, LATEST_MS),
  restFromMs: number().nullable().default(null).min(0).max(LATEST_MS),
  restMinutes: neededNumber('The rest', 0, 10_000, ' min'),
  seen: mixed<Anchor>()
    .nullable()
    .default(null)
    .transform((_, stored) => readAnchor(stored)),
}) as unknown as ObjectSchema<Preparing>
const storedSchema = array(preparingSchema).defined().max(64)

/** Devices in preparation as they were stored; what cannot be read is none. */
export function readPreparing(stored: unknown): Preparing[] {
  try {
    return storedSchema.validateSync(stored) as Preparing[]
  } catch {
    return []
  }
}

/**
 * Its moments by the machine's clock as it stands now: where somebody set it since they were last seen, they move along,
 * so that what was drained and rested stays what it was. After a restart of the machine its clock is believed.
 */
export function byClockNow(p: Preparing, now: Anchor): Preparing {
  // Another tab may have looked since.
  const isLater = p.seen?.bootId === now.bootId && (p.seen?.uptimeS ?? 0) > (now.uptimeS ?? 0)
  if (now.uptimeS === null || isLater) return p
  const { movedMs } = explainAbsence(p.seen ?? undefined, now, null)
  return {
    ...p,
    drainFromMs: Math.max(0, p.drainFromMs + movedMs),
    restFromMs: p.restFromMs === null ? null : Math.max(0, p.restFromMs + movedMs),
    seen: { wallMs: now.wallMs, uptimeS: now.uptimeS, bootId: now.bootId },
  }
}

/** When it should show its start level, ms, if it drains from full in so many hours. */
export const drainedAtMs = (
  { fromPercent, toPercent, drainFromMs }: Preparing,
  hoursFromFull: number,
): number => drainFromMs + ((fromPercent - toPercent) / 100) * hoursFromFull * HOUR_MS

/** Minutes that it has rested; NaN while it drains. */
export const restedMinutes = ({ restFromMs }: Preparing, nowMs: number): number =>
  restFromMs === null ? NaN : Math.max(0, (nowMs - restFromMs) / MINUTE_MS)

/** What is due at a moment: look whether the start level is there, or the rest is over; undefined while there is time. */
export function preparingDue(
  p: Preparing,
  hoursFromFull: number,
  nowMs: number,
): 'look' | 'rested' | undefined {
  if (p.restFromMs === null) return nowMs >= drainedAtMs(p, hoursFromFull) ? 'look' : undefined
  return p.restMinutes > 0 && restedMinutes(p, nowMs) >= p.restMinutes ? 'rested' : undefined
}

/** A smaller drop says too little of how long a whole one takes, points. */
const LEAST_DROP = 20
/**
 * Hours from full to empty as this draining tells it; NaN where it was too short a drop, or is not over.
 * @example hoursFromFull({ ...p, fromPercent: 100, toPercent: 1, drainFromMs: 0, restFromMs: 3.96 * 3_600_000 }) // 4
 */
export function hoursFromFull({ fromPercent, toPercent, drainFromMs, restFromMs }: Preparing): number {
  const drop = fromPercent - toPercent
  if (restFromMs === null || drop < LEAST_DROP || restFromMs <= drainFromMs) return NaN
  return ((restFromMs - drainFromMs) / HOUR_MS / drop) * 100
}
