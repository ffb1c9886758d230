/**
 * A record as its editor left it, put onto what stands there now: a field the editor did not touch keeps what
 * somebody else wrote meanwhile. `base` is the record as the editor found it.
 */
export function threeWay<T extends object>(base: T, mine: T, now: T): T {
  const result = { ...now }
  for (const field of Object.keys(mine) as (keyof T)[])
    if (JSON.stringify(mine[field]) !== JSON.stringify(base[field])) result[field] = mine[field]
  return result
}
