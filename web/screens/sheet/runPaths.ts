import { min } from 'd3-array'
import { workedOutLevel } from '@core/analysis/workedOut'
import { samplesOf, valueAt, type Samples } from '@core/trace/samples'
import { powerColumn, type Trace } from '@core/trace/trace'
import type { Path } from '../../charts/options'
import { pointsOfSamples, type View } from '../../charts/reduction'

/** Checks fewer than this are points; more are a log, and drawn as fine stairs. */
const MOST_POINTS = 120

/** What of a trace is drawn, made once for it: a look closer must not go through a million readings again. */
export interface RunSamples {
  shown: Samples
  worked: Samples
  strips: StripSamples[]
}
interface StripSamples {
  key: string
  title: string
  unit: string
  label: string
  /** Made as it is asked for: strips are drawn one after the other, and none waits for all. */
  samples: () => Samples
  stepped: boolean
  /** From where its scale begins; by what was read where it is not given. */
  min: () => number | undefined
}
export interface Strip extends Omit<StripSamples, 'samples' | 'label' | 'min'> {
  paths: Path[]
  min?: number
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined
  return () => (made ??= { value: make() }).value
}
const isRead = (column: Float64Array | undefined): boolean =>
  column?.some((value) => !Number.isNaN(value)) ?? false

/** Level, watts, volts and temperatures, each with its own scale; what was not read has no strip. */
export function samplesOfRun(trace: Trace): RunSamples {
  const of = (column: Float64Array | undefined) => samplesOf(trace.time, column)
  const watts = once(() => of(powerColumn(trace)))
  const volts = once(() => of(trace.voltage))
  const strips: (StripSamples & { there: boolean })[] = [
    {
      key: 'power',
      title: 'Power',
      unit: 'W',
      label: 'Power',
      samples: watts,
      stepped: false,
      min: once(() => fromNothing(watts())),
      there: isRead(powerColumn(trace)),
    },
    {
      key: 'volts',
      title: 'Voltage',
      unit: 'V',
      label: 'Voltage',
      samples: volts,
      stepped: true,
      min: once(() => fromNothing(volts())),
      there: isRead(trace.voltage),
    },
    ...Object.entries(trace.temperatures).map(([place, column]) => ({
      key: `place ${place}`,
      title: place ? place.charAt(0).toUpperCase() + place.slice(1) : 'Temperature',
      unit: '°C',
      label: place || 'Temperature',
      samples: once(() => of(column)),
      stepped: false,
      min: () => undefined,
      there: isRead(column),
    })),
  ]
  return {
    shown: of(trace.percent),
    worked: workedOutLevel(trace),
    strips: strips.filter(({ there }) => there),
  }
}

/** From nothing up; where something was fed back, by what was read. */
const fromNothing = ({ v }: Samples) => (min(v)! < 0 ? undefined : 0)

/** What was shown, as points or fine stairs, and the worked-out level in ink. */
export function levelPaths({ shown, worked }: RunSamples, ink: number, view: View, label: string): Path[] {
  if (shown.t.length === 0) return []
  const as = shown.t.length <= MOST_POINTS ? 'points' : 'stairs'
  return [
    { label: 'Shown', ink, points: pointsOfSamples(shown, view), as },
    { label, ink, points: pointsOfSamples(worked, view) },
  ]
}

/** What is in view of the first `count` strips. */
export const stripsOf = ({ strips }: RunSamples, ink: number, view: View, count = Infinity): Strip[] =>
  strips.slice(0, count).map(({ samples, label, min: least, ...strip }) => ({
    ...strip,
    min: least(),
    paths: [{ label, ink, points: pointsOfSamples(samples(), view) }],
  }))

const WHOLE: View = { from: -Infinity, until: Infinity }

/** The same against the level: watts and temperatures where both they and the level are known. */
export const stripsByLevel = (samples: RunSamples, ink: number): Strip[] =>
  stripsOf(samples, ink, WHOLE)
    .filter(({ key }) => key !== 'volts')
    .map((strip) => ({
      ...strip,
      paths: strip.paths.map((path) => ({
        ...path,
        points: path.points
          .map(({ x, y }) => ({ x: valueAt(samples.worked, x), y }))
          .filter(({ x }) => !Number.isNaN(x)),
      })),
    }))
    .filter(({ paths }) => paths.some(({ points }) => points.length > 1))
