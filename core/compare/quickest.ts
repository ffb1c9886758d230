import { rollups, sort } from 'd3-array'

/**
 * Keys in the order of their quickest run; those of which nobody knows come last, in the order in which they came.
 *
 * @param runs with how slow each is, in whatever unit is the same for all: more is slower; NaN where nothing tells
 * @example quickestFirst([{ key: 'a', slow: 9 }, { key: 'b', slow: 8 }, { key: 'a', slow: 7 }]) // ['a', 'b']
 */
export function quickestFirst(runs: readonly { key: string; slow: number }[]): string[] {
  const least = (of: readonly { slow: number }[]) =>
    of.reduce((low, { slow }) => (slow < low ? slow : low), Infinity)
  return sort(
    rollups(runs, least, ({ key }) => key),
    ([, slow]) => slow,
  ).map(([key]) => key)
}
