import { shuffle } from 'simple-statistics'
import { randomFrom } from '../stats/random'
import { group } from 'd3-array'
import { lowerBounds, type Bottleneck } from './bound'
import { Timetable, type Job, type Means, type Placed, type Window } from './timetable'

export interface Plan {
  placed: Placed[]
  unplaceable: { job: Job; reason: 'too-long' | 'no-room'; needsS: number; longestS: number }[]
  /** Leading windows until the last run ends, and the free time in them until then, s. */
  windowsUsed: number
  freeS: number
  /** The busiest resources first. */
  bounds: Bottleneck[]
}

export interface ScheduleOptions {
  seed: number
  /** From when units may be prepared; default: midnight of the first window, as good as its start less a day. */
  readyFromS?: number
  /** Runs that stay where they are. */
  fixed?: readonly Placed[]
  /** How many orders are tried; default by the number of runs. */
  passes?: number
}

/** Passes over the runs are dear in proportion to their number: this many run placings are tried in all. */
const EFFORT = 12000

/**
 * Lays runs on free windows: each in turn at the earliest moment that breaks no rule, in an order shuffled
 * from the seed. Plain shuffles come first, so that the shortest timetable found is as fair as it can be;
 * orders that favour busy devices and long runs are tried while the lower bound is not reached.
 */
export function schedule(
  jobs: readonly Job[],
  windows: readonly Window[],
  means: Means,
  options: ScheduleOptions,
): Plan {
  const longestS = Math.max(0, ...windows.map((w) => w.endS - w.startS))
  const fits = jobs.filter((j) => j.chargeS <= longestS)
  const tooLong = jobs.filter((j) => j.chargeS > longestS)
  const all = [...fits, ...(options.fixed ?? []).map((p) => p.job)]
  const bounds = lowerBounds(all, windows, means)
  const random = randomFrom(options.seed)
  const passes = options.passes ?? Math.min(160, Math.max(12, Math.round(EFFORT / Math.max(1, jobs.length))))
  const weigh = weights(fits, means)

  let best: { table: Timetable; left: Job[]; score: number[] } | undefined
  for (let pass = 0; pass < passes; pass++) {
    const lean = pass < passes / 4 ? 0 : (pass % 8) / 2
    const found = fill(inOrder(fits, lean, weigh, random.uniform), windows, means, options)
    const { placed } = found.table
    const score = [found.left.length, ...lengthOf(placed, windows), alwaysFirst(placed)]
    if (!best || compare(score, best.score) < 0) best = { ...found, score }
    if (best.score[0] === 0 && best.score[2] <= (bounds[0]?.freeS ?? 0) + 60 && best.score[3] === 0) break
  }
  const placed = best?.table.placed ?? []
  const [windowsUsed, freeS] = lengthOf(placed, windows)
  return {
    placed,
    unplaceable: [
      ...tooLong.map((job) => ({ job, reason: 'too-long' as const, needsS: job.chargeS, longestS })),
      ...(best?.left ?? []).map((job) => ({
        job,
        reason: 'no-room' as const,
        needsS: job.chargeS,
        longestS,
      })),
    ],
    windowsUsed,
    freeS,
    bounds,
  }
}

function fill(order: readonly Job[], windows: readonly Window[], means: Means, options: ScheduleOptions) {
  const table = new Timetable(windows, means, options.readyFromS ?? (windows[0]?.startS ?? 0) - 86_400)
  for (const placed of options.fixed ?? []) table.add(placed)
  const left: Job[] = []
  for (const job of order) {
    const place = earliest(table, job)
    if (place) table.add(place)
    else left.push(job)
  }
  return { table, left }
}

function earliest(table: Timetable, job: Job): Placed | null {
  for (let w = 0; w < table.windows.length; w++) {
    const place = table.earliestIn(job, w)
    if (place) return place
  }
  return null
}

/** How much a run presses: its device's and its source's work, and its own length, each as a share of the most. */
function weights(jobs: readonly Job[], means: Means): Map<string, number> {
  const load = (of: (j: Job) => string, share: (j: Job) => number) => {
    const sums = new Map([...group(jobs, of)].map(([id, own]) => [id, own.reduce((a, j) => a + share(j), 0)]))
    const most = Math.max(1, ...sums.values())
    return (j: Job) => sums.get(of(j))! / most
  }
  const byDevice = load(
    (j) => j.device,
    (j) => (j.chargeS + j.prepS) / Math.max(1, means.units[j.device] ?? 1),
  )
  const bySource = load(
    (j) => j.source,
    (j) => j.chargeS,
  )
  const longest = Math.max(1, ...jobs.map((j) => j.chargeS))
  return new Map(jobs.map((j) => [j.id, byDevice(j) + 0.5 * bySource(j) + j.chargeS / longest]))
}

function inOrder(
  jobs: readonly Job[],
  lean: number,
  weigh: Map<string, number>,
  uniform: () => number,
): Job[] {
  const mixed = shuffle([...jobs], uniform)
  if (lean === 0) return mixed
  const key = new Map(mixed.map((j) => [j.id, lean * weigh.get(j.id)! + uniform()]))
  return mixed.sort((a, b) => key.get(b.id)! - key.get(a.id)!)
}

/** Leading windows until the last end, and the free seconds in them until then. */
export function lengthOf(placed: readonly Placed[], windows: readonly Window[]): [number, number] {
  if (placed.length === 0) return [0, 0]
  const last = placed.reduce((a, b) => (b.endS > a.endS ? b : a))
  const before = windows.slice(0, last.window).reduce((a, w) => a + w.endS - w.startS, 0)
  return [last.window + 1, before + last.endS - windows[last.window].startS]
}

/** Devices on which one source comes first in every round of repeats: the order would favour or burden it. */
export function alwaysFirst(placed: readonly Placed[]): number {
  let count = 0
  for (const own of group(
    [...placed].sort((a, b) => a.startS - b.startS),
    (p) => p.job.device,
  ).values()) {
    const rounds = [...group(own, (p) => p.job.source).values()]
    if (rounds.length < 2) continue
    const repeats = Math.min(...rounds.map((r) => r.length))
    if (repeats < 2) continue
    const leaders = Array.from(
      { length: repeats },
      (_, k) => rounds.reduce((a, b) => (b[k].startS < a[k].startS ? b : a))[k].job.source,
    )
    if (new Set(leaders).size === 1) count++
  }
  return count
}

function compare(a: readonly number[], b: readonly number[]): number {
  const i = a.findIndex((v, k) => v !== b[k])
  return i < 0 ? 0 : a[i] - b[i]
}
