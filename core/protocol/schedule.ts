import type { ReadingRule } from './rules'

/**
 * Reading marks on a lane's clock, in seconds since power-on. Power-on itself, 0, is the first mark.
 * `closingInFrom` is the moment on this clock at which a closing-in rule took up its shorter step; null before.
 */

/** A check is late rather than missed until half the step has passed: after that it is nearer the next. */
const LATE_SHARE = 0.5
const HAIR = 1e-9

/** The first mark later than `t`; Infinity when none is left. */
export function markAfter(rule: ReadingRule, t: number, closingInFrom: number | null = null): number {
  switch (rule.kind) {
    case 'every':
      return nextOnGrid(rule.seconds, t)
    case 'at':
      return Math.min(Infinity, ...rule.minutes.map((m) => m * 60).filter((mark) => mark > t + HAIR))
    case 'meter':
      return Infinity
    case 'closing-in': {
      const coarse = nextOnGrid(rule.seconds, t)
      if (closingInFrom === null || coarse <= closingInFrom) return coarse
      return Math.min(coarse, nextOnGrid(rule.thenSeconds, Math.max(t, closingInFrom)))
    }
  }
}

const nextOnGrid = (step: number, t: number): number => (Math.floor(t / step + HAIR) + 1) * step

/** How long after a mark a reading still answers it. */
function lateLimit(rule: ReadingRule, mark: number, closingInFrom: number | null): number {
  const following = markAfter(rule, mark, closingInFrom)
  if (Number.isFinite(following)) return (following - mark) * LATE_SHARE
  // The last of given marks has no successor: it may be as late as it came after the one before.
  const before =
    rule.kind === 'at' ? Math.max(0, ...rule.minutes.map((m) => m * 60).filter((m) => m < mark)) : 0
  return (mark - before) * LATE_SHARE
}

/** The mark to read next: the first after `lastMark` that can still be answered. Infinity when none is left. */
export function nextMark(
  rule: ReadingRule,
  elapsedS: number,
  lastMark: number,
  closingInFrom: number | null = null,
): number {
  let mark = markAfter(rule, lastMark, closingInFrom)
  while (Number.isFinite(mark) && elapsedS > mark + lateLimit(rule, mark, closingInFrom) + HAIR)
    mark = markAfter(rule, mark, closingInFrom)
  return mark
}

/** The mark a reading taken at `t` answers: the nearest one, unless that was answered already. */
export function nominalMark(
  rule: ReadingRule,
  t: number,
  lastMark: number,
  closingInFrom: number | null = null,
): number | undefined {
  const mark = nextMark(rule, t, lastMark, closingInFrom)
  if (!Number.isFinite(mark)) return undefined
  let before = lastMark
  for (let m = markAfter(rule, before, closingInFrom); m < mark; m = markAfter(rule, m, closingInFrom))
    before = m
  return mark - t <= t - before + HAIR || t >= mark ? mark : undefined
}

/** Marks that nobody answered in time. They stay missed. */
export function missedMarks(
  rule: ReadingRule,
  elapsedS: number,
  answered: readonly number[],
  closingInFrom: number | null = null,
): number[] {
  const upTo = nextMark(rule, elapsedS, 0, closingInFrom)
  const done = new Set(answered)
  const missed: number[] = []
  for (
    let mark = markAfter(rule, 0, closingInFrom);
    mark < upTo && mark <= elapsedS;
    mark = markAfter(rule, mark, closingInFrom)
  )
    if (!done.has(mark)) missed.push(mark)
  return missed
}

/**
 * When a closing-in rule takes up its shorter step: the first moment any lane of the strip showed the level.
 * Lanes give their power-on in seconds of one common clock; so does the answer. Null while none has.
 */
export function closingInMoment(
  abovePercent: number,
  lanes: readonly { startS: number; readings: readonly { t: number; percent?: number }[] }[],
): number | null {
  const moments = lanes.flatMap(({ startS, readings }) => {
    const first = readings.find((r) => (r.percent ?? -1) >= abovePercent)
    return first ? [startS + first.t] : []
  })
  return moments.length ? Math.min(...moments) : null
}
