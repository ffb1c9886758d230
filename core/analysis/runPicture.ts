import { reduceWithin, type Stretch } from '../trace/reduce'
import { leastOf, samplesOf, valueAt, type Samples } from '../trace/samples'
import { batteryPowerColumn, powerColumn, type Trace } from '../trace/trace'
import { workedOutLevel } from './workedOut'

/** Which strip: the watts, those into the battery, the volts, or one place's temperature. */
export type StripKey = 'power' | 'battery' | 'volts' | `place ${string}`

/** What is drawn of one strip: samples in the channel's unit, and from where its scale begins; by what was read without. */
export interface StripPicture {
  key: StripKey
  samples: Samples
  min?: number
}
/** What of a trace is drawn, made once for it: a look closer must not go through a million readings again. */
export interface RunSamples {
  shown: Samples
  worked: Samples
  strips: StripPicture[]
}

/** What is drawn of a run: seconds, or percent where it is drawn against the level. */
export interface RunPicture {
  /** What of its clock is in it; all of it where nothing is said. */
  view?: Stretch
  /** What the display said, in percent, and how often it was read in all. */
  shown: Samples
  shownCount: number
  /** The level that is taken to lie under it. */
  worked: Samples
  strips: StripPicture[]
}
/** Raised whenever the same trace would be drawn otherwise: a picture that was kept is then drawn anew. */
export const PICTURE_VERSION = 2

/** A run as a whole, as it is kept beside a long trace, so that its path stands before the trace is read. */
export interface KeptPicture {
  /** How long the run lasts, s. */
  durationS: number
  /** Levels whose change was watched, percent, and when, s. */
  watched: { t: number; percent: number }[]
  picture: RunPicture
}
export interface PictureOptions {
  /** What is in view, s; all of it where it is left out. */
  view?: Stretch
  /** How many spans of time are told apart: one a pixel loses nothing that could be seen. */
  spans: number
}

const isRead = (column: Float64Array | undefined): column is Float64Array =>
  column?.some((value) => !Number.isNaN(value)) ?? false

/** The column that a strip draws; undefined where nothing was read for it. */
export function stripColumn(trace: Trace, key: StripKey): Float64Array | undefined {
  if (key === 'power') return powerColumn(trace)
  if (key === 'battery') return batteryPowerColumn(trace)
  return key === 'volts' ? trace.voltage : trace.temperatures[key.slice('place '.length)]
}

/** Level, watts, volts and temperatures, each with its own scale; what was not read has no strip. */
export function samplesOfRun(trace: Trace): RunSamples {
  const keys: StripKey[] = [
    'power',
    'battery',
    'volts',
    ...Object.keys(trace.temperatures).map((place) => `place ${place}` as const),
  ]
  return {
    shown: samplesOf(trace.time, trace.percent),
    worked: workedOutLevel(trace),
    strips: keys.flatMap((key): StripPicture[] => {
      const column = stripColumn(trace, key)
      if (!isRead(column)) return []
      const samples = samplesOf(trace.time, column)
      // Watts and volts from nothing up; where something was fed back, by what was read, as a temperature is.
      const fromNothing = !key.startsWith('place ') && !(leastOf(samples.v) < 0)
      return [{ key, samples, ...(fromNothing ? { min: 0 } : {}) }]
    }),
  }
}

/** What is in view of a run, with no more samples than can be told apart; no spike of it vanishes. */
export function pictureOf(
  { shown, worked, strips }: RunSamples,
  { view, spans }: PictureOptions,
): RunPicture {
  const drawn = (samples: Samples) => reduceWithin(samples, spans, view)
  return {
    view,
    shown: drawn(shown),
    shownCount: shown.t.length,
    worked: drawn(worked),
    strips: strips.map(({ key, samples, min }) => ({ key, samples: drawn(samples), min })),
  }
}

/** The same against the level: watts and temperatures where both they and the level are known. */
export function pictureByLevel(samples: RunSamples, spans: number): RunPicture {
  const whole = pictureOf(samples, { spans })
  const strips = whole.strips
    .filter(({ key }) => key !== 'volts')
    .map((strip) => ({ ...strip, samples: onLevel(strip.samples, samples.worked) }))
  return { ...whole, strips: strips.filter(({ samples: { t } }) => t.length > 1) }
}

function onLevel({ t, v }: Samples, worked: Samples): Samples {
  const level = t.map((at) => valueAt(worked, at))
  const known = (_: number, i: number) => !Number.isNaN(level[i])
  return { t: level.filter(known), v: v.filter(known) }
}
