import { energyPath } from '@core/analysis/energyPath'
import { workedOutLevel } from '@core/analysis/workedOut'
import { anyRead, samplesOf, valueAt, type Samples } from '@core/trace/samples'
import { batteryPowerColumn, powerColumn, type Trace } from '@core/trace/trace'

/** What of runs is drawn on one clock. */
export const COMPARED = ['level', 'power', 'battery', 'energy', 'heat'] as const
export type Compared = (typeof COMPARED)[number]

const made = new WeakMap<Trace, Partial<Record<Compared | `${Compared} by level`, Samples>>>()

const MAKE: Record<Compared, (trace: Trace) => Samples> = {
  level: workedOutLevel,
  power: (t) => samplesOf(t.time, powerColumn(t)),
  battery: (t) => samplesOf(t.time, batteryPowerColumn(t)),
  energy: energyPath,
  heat: hottestPlace,
}

const isRead: Record<Compared, (trace: Trace) => boolean> = {
  level: (t) => anyRead(t.percent),
  power: (t) => anyRead(powerColumn(t)),
  battery: (t) => anyRead(batteryPowerColumn(t)),
  energy: (t) => anyRead(powerColumn(t)) || anyRead(t.counterWh),
  heat: (t) => Object.values(t.temperatures).some(anyRead),
}

/** Whether a trace has what it takes, told without making the samples. */
export const mayBeDrawn = (trace: Trace, what: Compared): boolean => isRead[what](trace)

/** One of them, made once for a trace. */
export const comparedSamples = (trace: Trace, what: Compared): Samples =>
  kept(trace, what, () => MAKE[what](trace))

/** The same against the level: x is percent. */
export const samplesByLevel = (trace: Trace, what: Compared): Samples =>
  kept(trace, `${what} by level`, () => {
    const level = comparedSamples(trace, 'level')
    const { t, v } = comparedSamples(trace, what)
    const at = t.map((s) => valueAt(level, s))
    const known = Array.from(at.keys()).filter((i) => !Number.isNaN(at[i]))
    return { t: Float64Array.from(known, (i) => at[i]), v: Float64Array.from(known, (i) => v[i]) }
  })

function kept(trace: Trace, key: Compared | `${Compared} by level`, make: () => Samples): Samples {
  const of = made.get(trace) ?? {}
  made.set(trace, of)
  return (of[key] ??= make())
}

/** The place that became hottest. */
function hottestPlace(trace: Trace): Samples {
  const places = Object.values(trace.temperatures).map((column) => samplesOf(trace.time, column))
  const top = ({ v }: Samples) => v.reduce((most, c) => Math.max(most, c), -Infinity)
  return places.sort((a, b) => top(b) - top(a))[0] ?? { t: new Float64Array(0), v: new Float64Array(0) }
}
