/** Reading marks on a lane's clock. All times in seconds since power-on. */

/** A check is late rather than missed until half the interval has passed: after that it is nearer the next. */
const LATE_SHARE = 0.5

/** The mark a reading taken at `t` answers: the nearest one, unless that was answered already. */
export function nominalMark(t: number, intervalS: number, lastMark: number): number | undefined {
  const mark = Math.round(t / intervalS) * intervalS
  return mark > lastMark ? mark : undefined
}

/** The mark to read next, at or after the one that may still be answered late. */
export function nextMark(elapsedS: number, intervalS: number, lastMark: number): number {
  const answerable = Math.ceil(elapsedS / intervalS - LATE_SHARE) * intervalS
  return Math.max(lastMark + intervalS, answerable, intervalS)
}

/** Marks after `lastMark` that nobody answered in time. They stay missed. */
export function missedMarks(elapsedS: number, intervalS: number, answered: readonly number[]): number[] {
  const upTo = nextMark(elapsedS, intervalS, -Infinity)
  const done = new Set(answered)
  const missed: number[] = []
  for (let mark = intervalS; mark < upTo; mark += intervalS) if (!done.has(mark)) missed.push(mark)
  return missed
}
