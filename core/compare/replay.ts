import type { Analysis } from '../analysis/analyse'
import { valueAt, type Samples } from '../trace/samples'

/** A run as it is played again: on the clock it is compared on, s. */
export interface ReplayRun {
  id: string
  name: string
  /** Percent, and watts; empty where it was not read. */
  level: Samples
  watts: Samples
  /** Those into the battery, by the device's own word, where no meter read the source's. */
  isOwn?: boolean
  /** When its display turned full, s; NaN where it never did. */
  fullS: number
  /** When its record ends, s. */
  endS: number
  simulated: boolean
}

/** A run at one moment of the replay. */
export interface ReplayMoment {
  id: string
  name: string
  /** The level on its path; NaN before its first reading. */
  percent: number
  /** What a display would show at it: whole points, that have been reached. */
  shown: number
  /** NaN where no watts are known at that moment; whose they are. */
  watts: number
  isOwn: boolean
  /** Its display has turned full, and when, s. No place is given: a minute earlier may be nothing but chance. */
  arrived: boolean
  fullS: number
  /** Its record ended before it was full: what is shown is its last level. */
  ended: boolean
  simulated: boolean
}

/**
 * A run as it is played again.
 *
 * @param drawn level and watts on the run's own clock
 * @param analysis its figures on the clock it is compared on
 * @param shiftS what is taken off its own clock, s
 */
export function replayOf(
  run: Pick<ReplayRun, 'id' | 'name' | 'simulated' | 'isOwn'>,
  drawn: Pick<ReplayRun, 'level' | 'watts'>,
  { milestones, durationS }: Pick<Analysis, 'milestones' | 'durationS'>,
  shiftS: number,
): ReplayRun {
  const moved = ({ t, v }: Samples): Samples => ({ t: t.map((s) => s - shiftS), v })
  const full = milestones.find((m) => m.percent === 100)
  return {
    ...run,
    level: moved(drawn.level),
    watts: moved(drawn.watts),
    fullS: full && !full.reason ? full.timeS : NaN,
    endS: durationS - shiftS,
  }
}

/** Between checks the path goes straight, and the moment of a level goes by energy: so many points may lie between. */
const HAIR = 0.01

/** How long the replay lasts, s of the runs' clock: until the last arrives, or its record ends. */
export const replayLength = (runs: readonly ReplayRun[]): number =>
  runs.reduce((most, { fullS, endS }) => Math.max(most, Number.isNaN(fullS) ? endS : fullS), 0)

/**
 * All runs at one moment of one clock, in the order given. Levels between readings are those worked out; a run that
 * arrived stays at 100 %, one whose record ended stays where it stopped, and says so.
 *
 * @param atS moment of the clock, s
 */
export function replayAt(runs: readonly ReplayRun[], atS: number): ReplayMoment[] {
  return runs.map(({ id, name, level, watts, isOwn = false, fullS, endS, simulated }) => {
    const isFull = fullS <= atS
    const ended = !isFull && atS > endS
    // Watts may have been read for longer than levels.
    const percent = isFull ? 100 : valueAt(level, Math.min(atS, level.t.at(-1) ?? NaN))
    return {
      id,
      name,
      percent,
      shown: Math.floor(percent + HAIR),
      watts: ended ? NaN : valueAt(watts, atS),
      isOwn,
      arrived: isFull,
      fullS,
      ended,
      simulated,
    }
  })
}

/** Frames of a film: as many as it takes to play so many seconds of the clock at a pace, the last one on its end. */
export const frameCount = (lengthS: number, pace: number, framesPerSecond: number): number =>
  Math.max(1, Math.ceil((lengthS / pace) * framesPerSecond) + 1)

/** The moment of the clock that a frame shows, s. */
export const frameMoment = (frame: number, lengthS: number, pace: number, framesPerSecond: number): number =>
  Math.min(lengthS, (frame / framesPerSecond) * pace)
