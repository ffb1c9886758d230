import { neededNumber } from '../trace/typedNumber'

/** The level that the display will most likely turn to next: one more than it showed; null where it cannot turn. */
export const nextTurn = (last: number | undefined): number | null =>
  last === undefined || last >= 100 ? null : Math.floor(last) + 1

/** A level that the display was seen to turn to, as typed: a whole point, or 100. */
export const turnSchema = neededNumber('The level', 1, 100, ' %').integer('A display turns to whole points.')

/** What is noted as the display turns: the level, and that it was being looked at. */
export const turnedTo = (percent: number) => ({ percent, watched: 1 })
