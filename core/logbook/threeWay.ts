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

/** Some parts of a record as their editor left them, each put onto what stands there now as {@link threeWay} does. */
export function threeWayParts<T extends object, K extends keyof T>(
  base: T,
  mine: { [P in K]?: T[P] & object },
  now: T,
): Partial<T> {
  const parts = Object.entries(mine) as [K, T[K] & object][]
  return Object.fromEntries(
    parts.map(([part, typed]) => [part, threeWay(base[part] as object, typed, now[part] as object)]),
  ) as Partial<T>
}
