import type { ChartColours } from './colours'

export interface Point {
  x: number
  y: number
}

/** One run on a chart. Points in seconds and the strip's own unit. */
export interface Path {
  label: string
  /** Of which run it is; '' of what is no run's. */
  of?: string
  ink: number
  points: Point[]
  /** Drawn thin and pale, behind the others. */
  faded?: boolean
  /** What was shown: single checks as points, a log as fine stairs. A slope in ink otherwise. */
  as?: 'points' | 'stairs'
  /** A repeat of one that is named already: it has no name of its own on the finish line. */
  unnamed?: boolean
  /** What stands beside its name on the finish line: its time, or the level it stopped at. */
  finish?: string
}

/** A milestone's flag, with its bracket as a short bar along the line. Seconds, percent. */
export interface Flag {
  x: number
  y: number
  from: number
  to: number
  text: string
}

export interface Tick {
  x: number
  text: string
}

export interface PathChartOptions {
  paths: Path[]
  flags?: Flag[]
  /** Readings that were watched as they changed: known to seconds, ringed. */
  rings?: Point[]
  events?: Tick[]
  /** Where something is to be minded: a small letter above the clock. */
  findings?: Tick[]
  /** Told where the pointer is along the clock; null where it left. */
  pointed?: (x: number | null) => void
  unit: string
  /** Its unit stands in a heading above it. */
  untitled?: boolean
  colours: ChartColours
  min?: number
  max?: number
  /** Seconds shown, so that strips share one clock; the level, %, where it runs across. */
  from?: number
  until: number
  /** What runs across: the clock, or the level. */
  across?: 'clock' | 'level'
  /** How far the view may be moved: the whole of it, s. Without it, it stands still. */
  whole?: number
  /** Told when the view was moved by wheel, drag or pinch. */
  moved?: (from: number, until: number) => void
  /** Names the paths on the line at this level, in the order of arrival. */
  finishLevel?: number
  /** A single path is drawn solid: dashes are for telling several apart. */
  solid?: boolean
  showClock: boolean
  /** Only the shape: no figures at the scales, no rules. */
  bare?: boolean
  narrow: boolean
  /** Width of the frame, px: names are placed for it. */
  width: number
  /** Steps instead of slopes, for voltage. */
  stepped?: boolean
}

/** Left of the plot: the scale and its unit. px */
export const AXIS_WIDTH = 50
/** Right of the plot, so that the last mark is whole. px */
export const RIGHT_PX = 14

/** Where a chart ends: never so soon that nothing could be told. */
export const lengthOf = ({ from = 0, until, whole }: PathChartOptions): number =>
  whole === undefined ? Math.max(from + 60, until) : until
