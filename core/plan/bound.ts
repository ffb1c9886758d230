import { group, least, sum } from 'd3-array'
import { portsOf, type Job, type Means, type Window } from './timetable'

/** A resource that all its runs must pass through, some at a time. */
export interface Bottleneck {
  kind: 'unit' | 'source' | 'strip' | 'repeats'
  /** Id of the device or source; '' for the strip. */
  id: string
  /** How many of the free windows it needs at least. */
  windows: number
  /** Free hours, in seconds, that must pass at least before its last run ends. */
  freeS: number
}

/** The least that each resource needs; the longest first. No timetable can be shorter than the first. */
export function lowerBounds(jobs: readonly Job[], windows: readonly Window[], means: Means): Bottleneck[] {
  if (jobs.length === 0) return []
  const bounds: Bottleneck[] = [
    ...[...group(jobs, (j) => j.device)].map(([id, own]) =>
      boundOf('unit', id, own, windows, Math.max(1, means.units[id] ?? 1)),
    ),
    ...[...group(jobs, (j) => j.source)].map(([id, own]) =>
      boundOf('source', id, withoutPrep(own), windows, portsOf(means, id)),
    ),
    boundOf('strip', '', withoutPrep(jobs), windows, means.atOnce),
    ...[...group(jobs, (j) => j.pair)].map(([id, own]) => repeatsBound(id, own, windows)),
  ]
  return bounds.sort((a, b) => b.freeS - a.freeS || b.windows - a.windows)
}

const withoutPrep = (jobs: readonly Job[]): Job[] => jobs.map((j) => ({ ...j, prepS: 0 }))

function boundOf(
  kind: Bottleneck['kind'],
  id: string,
  jobs: readonly Job[],
  windows: readonly Window[],
  capacity: number,
): Bottleneck {
  const count = windowsNeeded(jobs, windows, capacity)
  return { kind, id, windows: count, freeS: freeNeeded(jobs, windows, capacity, count) }
}

/** The smallest number of leading windows that no relaxation rules out. */
function windowsNeeded(jobs: readonly Job[], windows: readonly Window[], capacity: number): number {
  const prep = Math.min(...jobs.map((j) => j.prepS))
  const total = sum(jobs.map((j) => j.chargeS + prep))
  const sizes = [...new Set(jobs.map((j) => j.chargeS))].sort((a, b) => b - a)
  const atLeast = sizes.map((size) => jobs.filter((j) => j.chargeS >= size).length)
  const room = sizes.map(() => 0)
  let free = 0
  for (const [i, window] of windows.entries()) {
    const length = window.endS - window.startS
    free += capacity * (length + prep)
    // Of runs as long as `size` or longer, a window holds no more than so many in a row.
    sizes.forEach((size, k) => (room[k] += capacity * Math.floor((length + prep) / (size + prep) + 1e-9)))
    if (free >= total - 1e-6 && atLeast.every((n, k) => room[k] >= n)) return i + 1
  }
  return windows.length
}

/** Free time that must pass: all windows but the last needed, and what cannot have been done by then. */
function freeNeeded(
  jobs: readonly Job[],
  windows: readonly Window[],
  capacity: number,
  count: number,
): number {
  const before = sum(windows.slice(0, count - 1).map((w) => w.endS - w.startS))
  const left = sum(jobs.map((j) => j.chargeS)) / capacity - before
  return before + Math.max(left, Math.min(...jobs.map((j) => j.chargeS)))
}

/** Repeats of a pair stand on days of their own. */
function repeatsBound(id: string, jobs: readonly Job[], windows: readonly Window[]): Bottleneck {
  const days = [...new Set(windows.map((w) => w.day))].slice(0, jobs.length)
  const last = windows.findIndex((w) => w.day === days.at(-1))
  // One that was put somewhere by hand keeps the length it had then: any of them may come last.
  const shortest = [least(jobs, (j) => j.chargeS)!]
  return { kind: 'repeats', id, windows: last + 1, freeS: freeNeeded(shortest, windows, 1, last + 1) }
}
