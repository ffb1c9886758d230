import type { Reading } from '../trace/trace'

/** Temperatures due now: the latest prompt that has come and was not answered; null when there is none. */
export function temperatureDue(
  minutes: readonly number[],
  places: readonly string[],
  readings: readonly Reading[],
  elapsedS: number,
): number | null {
  if (places.length === 0) return null
  const come = minutes.map((m) => m * 60).filter((t) => t <= elapsedS)
  if (come.length === 0) return null
  const latest = Math.max(...come)
  // Half the way to the prompt before counts as early, not as missing.
  const before = Math.max(0, ...come.filter((t) => t < latest))
  const since = latest - (latest - before) / 2
  const answered = readings.some(
    (r) => r.temperatures && Object.keys(r.temperatures).length > 0 && r.t >= since,
  )
  return answered ? null : latest
}

/** The first place at or above the limit in the last reading that carries temperatures. */
export function tooHot(
  readings: readonly Reading[],
  limitC: number,
): { place: string; celsius: number } | null {
  const last = readings.findLast((r) => r.temperatures && Object.keys(r.temperatures).length > 0)
  const hot = Object.entries(last?.temperatures ?? {}).find(([, c]) => c >= limitC)
  return hot ? { place: hot[0], celsius: hot[1] } : null
}
