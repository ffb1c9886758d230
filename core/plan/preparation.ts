import { bisector } from 'd3-array'
import type { Window } from './timetable'

/** When units can be drained and rested. All times in seconds since 1970, all lengths in seconds. */
export interface Preparation {
  /** When a unit that is free from a moment on is ready, after so much preparing. */
  readyAt(freeFromS: number, prepS: number): number
  /** When preparing must begin at the latest for a unit to be ready at a moment. */
  beginBy(readyS: number, prepS: number): number
}

/** At any hour: a device drains and rests by itself. */
export const AT_ANY_HOUR: Preparation = {
  readyAt: (freeFromS, prepS) => freeFromS + prepS,
  beginBy: (readyS, prepS) => readyS - prepS,
}

/**
 * Only while somebody is there: in the free hours, over several evenings where one is too short.
 *
 * @param windows free hours, in order and apart
 * @example whileSomebodyIsThere([{ startS: 0, endS: 100, day: 'a' }, { startS: 500, endS: 600, day: 'b' }]).readyAt(60, 50) // 510
 */
export function whileSomebodyIsThere(windows: readonly Window[]): Preparation {
  /** Free seconds before each window. */
  const before = [0]
  for (const { startS, endS } of windows) before.push(before[before.length - 1] + endS - startS)
  const byStart = bisector((w: Window) => w.startS)

  /** Free seconds up to a moment. */
  const freeUntil = (atS: number): number => {
    const w = byStart.right(windows, atS) - 1
    return w < 0 ? 0 : before[w] + Math.min(atS, windows[w].endS) - windows[w].startS
  }
  return {
    readyAt(freeFromS, prepS) {
      if (prepS <= 0) return freeFromS
      const wanted = freeUntil(freeFromS) + prepS
      const w = windows.findIndex((_, i) => before[i + 1] >= wanted)
      return w < 0 ? Infinity : windows[w].startS + wanted - before[w]
    },
    beginBy(readyS, prepS) {
      if (prepS <= 0) return readyS
      const wanted = freeUntil(readyS) - prepS
      if (wanted < 0) return -Infinity
      const w = windows.findIndex((_, i) => before[i + 1] > wanted)
      return windows[w].startS + wanted - before[w]
    },
  }
}
