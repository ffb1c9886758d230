/**
 * Temperatures due now: the latest prompt that has come and was not answered, s; null when there is none. `lastReadS`
 * is when temperatures were last read, NaN when they never were.
 */
export function temperatureDue(
  minutes: readonly number[],
  places: readonly string[],
  lastReadS: number,
  elapsedS: number,
): number | null {
  if (places.length === 0) return null
  const come = minutes.map((m) => m * 60).filter((t) => t <= elapsedS)
  if (come.length === 0) return null
  const latest = come.reduce((a, b) => Math.max(a, b))
  // Half the way to the prompt before counts as early, not as missing.
  const before = come.filter((t) => t < latest).reduce((a, b) => Math.max(a, b), 0)
  const since = latest - (latest - before) / 2
  return lastReadS >= since ? null : latest
}

/** The first place at or above the limit among the temperatures last read, °C. */
export function tooHot(
  temperatures: Readonly<Record<string, number>>,
  limitC: number,
): { place: string; celsius: number } | null {
  const hot = Object.entries(temperatures).find(([, c]) => c >= limitC)
  return hot ? { place: hot[0], celsius: hot[1] } : null
}
