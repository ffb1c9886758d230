import { CHANNELS, channel, type Channel } from './channels'

/** What each channel can hold; see its entry in the table. */
export const BOUNDS = Object.fromEntries(CHANNELS.map((c) => [c, channel(c).bounds])) as Record<
  Channel,
  readonly [low: number, high: number]
>
/** °C. */
export const TEMPERATURE_BOUNDS: readonly [low: number, high: number] = [-40, 150]

/** Longest run, s: a year and a day. A time beyond it is a mistake. */
export const LONGEST_S = 366 * 24 * 3600
/** Beyond this it is not a trace of a charging run: a day at ten readings a second is a third of it. */
export const MOST_READINGS = 3_000_000
