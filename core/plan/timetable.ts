import { AT_ANY_HOUR, whileSomebodyIsThere, type Preparation } from './preparation'

/**
 * Which runs stand where in time. All times in seconds since 1970, all lengths in seconds.
 * A run occupies its unit from the start of its preparation to its end, and its source, its meter and its
 * lane while it charges.
 */

export interface Job {
  id: string
  device: string
  source: string
  /** Repeats of one pair share it; they never stand on the same day. */
  pair: string
  chargeS: number
  /** Draining and resting before the charge. They may run outside the free hours, if so wanted; charging may not. */
  prepS: number
}

/** A stretch of free hours. `day` is the local date it belongs to. */
export interface Window {
  startS: number
  endS: number
  day: string
}

export interface Means {
  /** Runs that may charge at once: lanes, meters and the reviewer's word taken together. */
  atOnce: number
  /** Equal units of each device; one where it is not named. */
  units: Readonly<Record<string, number>>
  /** Runs that a source may feed at once, each from a port of its own; one where it is not named. */
  ports?: Readonly<Record<string, number>>
  /** Units are drained and rested only while somebody is there: in the free hours. */
  attended?: boolean
}

/** How many runs a source may feed at once. */
export const portsOf = ({ ports }: Means, source: string): number =>
  ports && Object.hasOwn(ports, source) ? Math.max(1, ports[source]) : 1

export interface Placed {
  job: Job
  startS: number
  endS: number
  unit: number
  /** Which lane of the strip, and with it which meter. */
  lane: number
  window: number
}

export type Obstacle =
  | { rule: 'outside-hours' }
  | { rule: 'does-not-fit'; needsS: number; leftS: number }
  | { rule: 'source-busy'; by: Placed }
  | { rule: 'unit-busy'; by: Placed }
  | { rule: 'unit-not-ready'; readyS: number; by: Placed | null }
  | { rule: 'next-not-ready'; by: Placed }
  | { rule: 'lanes-busy'; atOnce: number }
  | { rule: 'same-day'; by: Placed }

export type Placing = { ok: true; placed: Placed } | { ok: false; obstacle: Obstacle }

/** A timetable that is being filled. `readyFromS` is the moment from which units may be prepared. */
export class Timetable {
  private readonly byWindow: Placed[][]
  private readonly byDevice = new Map<string, Placed[]>()
  private readonly preparation: Preparation
  private longestPrepS = 0
  /**
   * By window: charging seconds in all ('') and by source, and occupied seconds by device ('@' before its id).
   * They tell a hopeless window at a glance.
   */
  private readonly taken: Map<string, number>[]

  constructor(
    readonly windows: readonly Window[],
    readonly means: Means,
    readonly readyFromS: number,
  ) {
    this.byWindow = windows.map(() => [])
    this.taken = windows.map(() => new Map())
    this.preparation = means.attended ? whileSomebodyIsThere(windows) : AT_ANY_HOUR
  }

  get placed(): Placed[] {
    return withLanes(this.byWindow.flat().sort((a, b) => a.startS - b.startS))
  }

  add(placed: Placed): void {
    this.byWindow[placed.window].push(placed)
    const taken = this.taken[placed.window]
    const { source, device, chargeS, prepS } = placed.job
    const add = (key: string, seconds: number) => taken.set(key, (taken.get(key) ?? 0) + seconds)
    add('', chargeS)
    add(source, chargeS)
    add(`@${device}`, chargeS + prepS)
    this.longestPrepS = Math.max(this.longestPrepS, prepS)
    const list = this.byDevice.get(device)
    if (list) list.push(placed)
    else this.byDevice.set(device, [placed])
  }

  /** Where a run could start in a window: at its beginning, or as something that stood in the way ends. */
  candidates(job: Job, window: number, notBeforeS = -Infinity): number[] {
    const { startS, endS } = this.windows[window]
    const latest = endS - job.chargeS
    const starts = new Set([Math.max(startS, notBeforeS), Math.max(startS, this.firstReady(job.prepS))])
    for (const other of this.byWindow[window]) starts.add(other.endS)
    for (const other of this.byDevice.get(job.device) ?? [])
      starts.add(this.preparation.readyAt(other.endS, job.prepS))
    return [...starts].filter((s) => s >= startS && s >= notBeforeS && s <= latest).sort((a, b) => a - b)
  }

  /** Tries a run at one moment and says what stands in the way, if anything does. */
  tryAt(job: Job, window: number, startS: number): Placing {
    const { startS: opens, endS: closes, day } = this.windows[window]
    const endS = startS + job.chargeS
    if (startS < opens || startS >= closes) return refuse({ rule: 'outside-hours' })
    if (endS > closes) return refuse({ rule: 'does-not-fit', needsS: job.chargeS, leftS: closes - startS })
    for (let w = window; w >= 0 && this.windows[w].day === day; w--)
      for (const other of this.byWindow[w])
        if (other.job.pair === job.pair) return refuse({ rule: 'same-day', by: other })
    for (let w = window + 1; w < this.windows.length && this.windows[w].day === day; w++)
      for (const other of this.byWindow[w])
        if (other.job.pair === job.pair) return refuse({ rule: 'same-day', by: other })

    const beside = this.byWindow[window].filter((o) => o.startS < endS && startS < o.endS)
    const onSource = beside.filter((o) => o.job.source === job.source)
    if (onSource.length > 0 && crowd(onSource) >= portsOf(this.means, job.source))
      return refuse({ rule: 'source-busy', by: onSource[0] })
    const unit = this.freeUnit(job, startS, endS)
    if (typeof unit !== 'number') return refuse(unit)
    if (crowd(beside) >= this.means.atOnce) return refuse({ rule: 'lanes-busy', atOnce: this.means.atOnce })
    return { ok: true, placed: { job, startS, endS, unit, lane: 0, window } }
  }

  /** The earliest place in one window, from a moment on. */
  earliestIn(job: Job, window: number, notBeforeS = -Infinity): Placed | null {
    if (this.isHopeless(job, window)) return null
    for (const start of this.candidates(job, window, notBeforeS)) {
      const tried = this.tryAt(job, window, start)
      if (tried.ok) return tried.placed
    }
    return null
  }

  /** No room for so much charging, whatever the order. */
  private isHopeless({ source, device, chargeS, prepS }: Job, window: number): boolean {
    const { startS, endS } = this.windows[window]
    const taken = this.taken[window]
    const length = endS - startS
    const units = Math.max(1, this.means.units[device] ?? 1)
    const aside = Math.max(this.longestPrepS, prepS)
    return (
      (taken.get('') ?? 0) + chargeS > length * this.means.atOnce ||
      (taken.get(source) ?? 0) + chargeS > length * portsOf(this.means, source) ||
      // On each unit the preparation of its first run may lie before the window.
      (taken.get(`@${device}`) ?? 0) + chargeS + prepS > units * (length + aside)
    )
  }

  /** When a unit that nobody used is ready at the earliest. */
  private firstReady(prepS: number): number {
    return this.preparation.readyAt(this.readyFromS, prepS)
  }

  private freeUnit(job: Job, startS: number, endS: number): number | Obstacle {
    const readyS = this.firstReady(job.prepS)
    if (startS < readyS) return { rule: 'unit-not-ready', readyS, by: null }
    const count = Math.max(1, this.means.units[job.device] ?? 1)
    const others = this.byDevice.get(job.device) ?? []
    let first: Obstacle | undefined
    for (let unit = 0; unit < count; unit++) {
      const obstacle = others
        .filter((o) => o.unit === unit)
        .map((o) => this.clash(o, job, startS, endS))
        .find((o) => o !== null)
      if (!obstacle) return unit
      first ??= obstacle
    }
    return first!
  }

  /** What an earlier or later run on the same unit has against one from `startS` to `endS`. */
  private clash(other: Placed, job: Job, startS: number, endS: number): Obstacle | null {
    if (other.startS < endS && startS < other.endS) return { rule: 'unit-busy', by: other }
    if (other.endS <= startS) {
      const readyS = this.preparation.readyAt(other.endS, job.prepS)
      return readyS > startS ? { rule: 'unit-not-ready', readyS, by: other } : null
    }
    const isReady = this.preparation.readyAt(endS, other.job.prepS) <= other.startS
    return isReady ? null : { rule: 'next-not-ready', by: other }
  }
}

const refuse = (obstacle: Obstacle): Placing => ({ ok: false, obstacle })

/** Runs in order of their start, each on the first lane that is free: never more lanes than runs at once. */
function withLanes(inOrder: readonly Placed[]): Placed[] {
  const done: Placed[] = []
  for (const run of inOrder) {
    const taken = done.filter((o) => o.endS > run.startS).map((o) => o.lane)
    done.push({ ...run, lane: freeNumber(taken) })
  }
  return done
}

function freeNumber(taken: readonly number[]): number {
  let n = 0
  while (taken.includes(n)) n++
  return n
}

/** The most of these runs that charge at one moment. */
function crowd(runs: readonly Placed[]): number {
  return Math.max(0, ...runs.map((a) => runs.filter((b) => b.startS <= a.startS && a.startS < b.endS).length))
}
