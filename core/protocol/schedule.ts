import type { ReadingRule } from './rules'

/**
 * Reading marks on a lane's clock, in seconds since power-on. Power-on itself, 0, is the first mark.
 * `closingInFrom` is the moment on this clock at which a closing-in rule took up its shorter step; null before.
 *
 * A mark is due from its moment until the next one comes; whatever is read in between answers it, late as it may
 * be. Only a reading within {@link ON_TIME_S} before a mark is early for it.
 */

/** A reading this close to its mark is the mark, s. */
export const ON_TIME_S = 10
const HAIR = 1e-9

/** The first mark later than `t`; Infinity when none is left. */
export function markAfter(rule: ReadingRule, t: number, closingInFrom: number | null = null): number {
  switch (rule.kind) {
    case 'every':
      return nextOnGrid(rule.seconds, t)
    case 'at':
      return rule.minutes.map((m) => m * 60).find((mark) => mark > t + HAIR) ?? Infinity
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
const lastOnGrid = (step: number, t: number): number => Math.floor(t / step + HAIR) * step

/** The last mark at or before `t`; 0 is power-on. */
export function markAt(rule: ReadingRule, t: number, closingInFrom: number | null = null): number {
  switch (rule.kind) {
    case 'every':
      return lastOnGrid(rule.seconds, t)
    case 'at':
      return rule.minutes.map((m) => m * 60).findLast((mark) => mark <= t + HAIR) ?? 0
    case 'meter':
      return 0
    case 'closing-in': {
      const coarse = lastOnGrid(rule.seconds, t)
      if (closingInFrom === null || t < closingInFrom) return coarse
      const fine = lastOnGrid(rule.thenSeconds, t)
      return fine > closingInFrom ? Math.max(coarse, fine) : coarse
    }
  }
}

/** The mark to read next: the one that is due, else the next to come. Infinity when none is left. */
export function nextMark(
  rule: ReadingRule,
  elapsedS: number,
  answered: ReadonlySet<number>,
  closingInFrom: number | null = null,
): number {
  const now = markAt(rule, elapsedS, closingInFrom)
  if (now > 0 && !answered.has(now)) return now
  const next = markAfter(rule, elapsedS, closingInFrom)
  // Answered a moment early: the one after it is next.
  return answered.has(next) ? markAfter(rule, next, closingInFrom) : next
}

/** The mark that a reading taken at `t` answers; undefined when it answers none. */
export function nominalMark(
  rule: ReadingRule,
  t: number,
  answered: ReadonlySet<number>,
  closingInFrom: number | null = null,
): number | undefined {
  const last = markAt(rule, t, closingInFrom)
  const next = markAfter(rule, t, closingInFrom)
  // With steps of seconds, ten seconds would reach over several marks.
  const early = Math.min(ON_TIME_S, (next - last) / 4)
  if (next - t <= early && !answered.has(next)) return next
  return last > 0 && !answered.has(last) ? last : undefined
}

/**
 * Marks that nobody answered before the next one came. They stay missed. Once the run is `over`, the one that was
 * still due counts too.
 */
export function missedMarks(
  rule: ReadingRule,
  elapsedS: number,
  answered: ReadonlySet<number>,
  closingInFrom: number | null = null,
  over = false,
): number[] {
  const missed: number[] = []
  for (let mark = markAfter(rule, 0, closingInFrom); mark <= elapsedS;) {
    const next = markAfter(rule, mark, closingInFrom)
    const gone = next <= elapsedS || (over && elapsedS - mark > ON_TIME_S)
    if (gone && !answered.has(mark)) missed.push(mark)
    mark = next
  }
  return missed
}
