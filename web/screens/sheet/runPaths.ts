import { workedOutLevel } from '@core/analysis/workedOut'
import type { Run } from '@core/logbook/run'
import { samplesOf, valueAt } from '@core/trace/samples'
import { powerColumn, type Trace } from '@core/trace/trace'
import type { Path } from '../../charts/options'
import { pointsOf, pointsOfSamples, type View } from '../../charts/reduction'

/** Checks fewer than this are points; more are a log, and drawn as fine stairs. */
const MOST_POINTS = 120

export interface Strip {
  key: string
  title: string
  unit: string
  paths: Path[]
  stepped: boolean
  /** From where its scale begins; by what was read where it is not given. */
  min?: number
}

/** What was shown, as points or fine stairs, and the worked-out level in ink. */
export function levelPaths({ ink }: Run, trace: Trace, view: View, label: string): Path[] {
  const points = pointsOf(trace.time, trace.percent, view)
  if (points.length === 0) return []
  const as = samplesOf(trace.time, trace.percent).t.length <= MOST_POINTS ? 'points' : 'stairs'
  return [
    { label: 'Shown', ink, points, as },
    { label, ink, points: pointsOfSamples(workedOutLevel(trace), view) },
  ]
}

/** From nothing up; where something was fed back, by what was read. */
const fromNothing = (paths: readonly Path[]) =>
  paths.every(({ points }) => points.every(({ y }) => y >= 0)) ? 0 : undefined

/** Watts, volts and temperatures, each with its own scale; what was not read has no strip. */
export function stripsOf(run: Run, trace: Trace, view: View): Strip[] {
  const path = (column: Float64Array | undefined, label: string): Path[] => {
    const points = pointsOf(trace.time, column, view)
    return points.length ? [{ label, ink: run.ink, points }] : []
  }
  const [watts, volts] = [path(powerColumn(trace), 'Power'), path(trace.voltage, 'Voltage')]
  return [
    { key: 'power', title: 'Power', unit: 'W', paths: watts, stepped: false, min: fromNothing(watts) },
    { key: 'volts', title: 'Voltage', unit: 'V', paths: volts, stepped: true, min: fromNothing(volts) },
    ...Object.entries(trace.temperatures).map(([place, column]) => ({
      key: `place ${place}`,
      title: place ? place.charAt(0).toUpperCase() + place.slice(1) : 'Temperature',
      unit: '°C',
      paths: path(column, place || 'Temperature'),
      stepped: false,
    })),
  ].filter(({ paths }) => paths.length > 0)
}

/** The same against the level: watts and temperatures where both they and the level are known. */
export function stripsByLevel(run: Run, trace: Trace): Strip[] {
  const level = workedOutLevel(trace)
  return stripsOf(run, trace, { from: -Infinity, until: Infinity })
    .filter(({ key }) => key !== 'volts')
    .map((strip) => ({
      ...strip,
      paths: strip.paths.map((path) => ({
        ...path,
        points: path.points
          .map(({ x, y }) => ({ x: valueAt(level, x), y }))
          .filter(({ x }) => !Number.isNaN(x)),
      })),
    }))
    .filter(({ paths }) => paths.some(({ points }) => points.length > 1))
}
