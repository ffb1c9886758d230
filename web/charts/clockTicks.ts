import { bisectLeft, range } from 'd3-array'
import { clock, duration } from '@core/words/figures'

/** Steps between ticks of a clock, s. */
const STEPS = [
  1, 2, 5, 15, 30, 60, 120, 300, 600, 900, 1200, 1800, 3600, 7200, 14_400, 28_800, 57_600, 86_400,
]
const [WANTED, WANTED_NARROW] = [8, 4]

/** Round seconds between two ticks, so that a stretch of `length` seconds has five to ten, or fewer on a narrow screen. */
export function clockStep(length: number, narrow: boolean): number {
  const wanted = length / (narrow ? WANTED_NARROW : WANTED)
  // Beyond the longest step, whole days.
  return STEPS[bisectLeft(STEPS, wanted)] ?? Math.ceil(wanted / 86_400) * 86_400
}

/** Ticks from `from` to `until` at whole steps. */
export const ticksEvery = (step: number, until: number, from = 0): { value: number }[] =>
  range(Math.ceil(from / step), Math.floor(until / step) + 1).map((i) => ({ value: i * step }))

/** Ticks on round minutes, s. Chart.js would move them off the round minutes to make the last one fit. */
export const clockTicks = (until: number, narrow: boolean, from = 0): { value: number }[] =>
  ticksEvery(clockStep(until - from, narrow), until, from)

export function tickText(seconds: number): string {
  if (seconds < 0) return ''
  if (seconds === 0) return '0'
  const [hours, minutes, rest] = clock(seconds).split(':')
  if (seconds >= 3600) return `${hours}:${minutes}\u00a0h`
  // Between two minutes, rounding would name two ticks alike.
  return seconds % 60 ? `${Number(minutes)}:${rest}\u00a0min` : duration(seconds)
}
