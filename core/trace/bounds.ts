import type { Channel } from './trace'

/** Values outside these are a mistake, not a reading. SI units; negative power flows out of the device. */
export const BOUNDS: Record<Channel, readonly [low: number, high: number]> = {
  percent: [0, 100],
  voltage: [-1, 60],
  current: [-20, 20],
  power: [-300, 500],
  batteryPower: [-300, 500],
}
export const TEMPERATURE_BOUNDS: readonly [low: number, high: number] = [-40, 150]

/** Longest run, s: a year and a day. A time beyond it is a mistake. */
export const LONGEST_S = 366 * 24 * 3600
/** Beyond this it is not a trace of a charging run: a day at ten readings a second is a third of it. */
export const MOST_READINGS = 3_000_000
