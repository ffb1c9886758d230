import type { Analysis } from '../analysis/analyse'
import type { LoadSplit } from '../analysis/load'
import { DEFAULT_MARKS } from '../analysis/marks'
import { DEFAULT_MILESTONES } from '../analysis/milestones'
import type { PowerFigures } from '../analysis/power'
import type { Score } from '../analysis/scores'
import { TIME_WORTH_NOTICING, type WorthNoticing } from './verdict'

/** One run as it is compared: its figures, and what its device makes of them. */
export interface Side {
  analysis: Analysis
  /** Usable capacity, Wh; NaN where it is not known. */
  usableWh: number
  /** Hours of use that a point gives; NaN where it is not known. */
  hoursPerPoint: number
  /** What was noted under a load, where there was one. */
  load?: { phases: readonly LoadSplit[]; scores: readonly Score[] }
}
/** One figure with its standard uncertainty; NaN where there is none. */
export interface Single {
  value: number
  uncertainty: number
}

export const QUANTITY_GROUPS = ['times', 'levels', 'energy', 'power', 'heat', 'load'] as const
export type QuantityGroup = (typeof QUANTITY_GROUPS)[number]

/** A figure by which set-ups are compared. */
export interface Quantity {
  key: string
  group: QuantityGroup
  /** As a column is headed. */
  label: string
  /** Times in s, percent, points, Wh, W, °C, h, shares 0–1; a benchmark's score in its own unit. */
  kind: 'time' | 'percent' | 'points' | 'wh' | 'watts' | 'celsius' | 'hours' | 'share' | 'score'
  /** Of a score. */
  unit?: string
  better: 'lower' | 'higher'
  worthNoticing: WorthNoticing
  /** The figure of one run with its standard uncertainty; NaN where it has none. */
  figure: (side: Side) => Single
  /** Where one run may have several. */
  figures?: (side: Side) => readonly Single[]
  /** Why a run has none, in a word or two; '' where it has one. */
  why?: (side: Side) => string
}

export const NONE: Single = { value: NaN, uncertainty: NaN }
/** A meter or thermometer that states no accuracy is taken to be so good: 1 % of watts and Wh, half a degree. */
const USUAL_SHARE_U = 0.01
const USUAL_CELSIUS_U = 0.5
const POINTS_WORTH = { atLeast: 2, share: 0 }
export const SHARE_WORTH = { atLeast: 0, share: 0.05 }

export const orUsual = (uncertainty: number, value: number) =>
  Number.isNaN(uncertainty) ? USUAL_SHARE_U * Math.abs(value) : uncertainty

const times = [...DEFAULT_MILESTONES].map((percent): Quantity => ({
  key: `to-${percent}`,
  group: 'times',
  label: `to ${percent} %`,
  kind: 'time',
  better: 'lower',
  worthNoticing: TIME_WORTH_NOTICING,
  figure: ({ analysis }) => {
    const m = analysis.milestones.find((x) => x.percent === percent)
    return m && !m.reason ? { value: m.timeS, uncertainty: m.uncertaintyS } : NONE
  },
  why: ({ analysis }) => analysis.milestones.find((x) => x.percent === percent)?.brief ?? '',
}))

/** A moment at a reading is known to the step between readings: rectangular, GUM JCGM 100:2008 §4.3.7. */
const STEP_U = 1 / Math.sqrt(12)
/** When the current had all but stopped: what is full where no display says so. */
export const untilCurrentStops = ({ taperEndS, durationS, samples }: Analysis): Single =>
  Number.isFinite(taperEndS) && samples > 1
    ? { value: taperEndS, uncertainty: (STEP_U * durationS) / (samples - 1) }
    : NONE

const markOf = ({ analysis }: Side, atS: number) => {
  const m = analysis.marks.find((x) => x.atS === atS)
  return m && !m.reason ? m : undefined
}

/** Gains at the usual moments, in what a point is worth: a point, Wh, or hours of use. */
const gainIn = (
  key: string,
  words: string,
  kind: Quantity['kind'],
  perPoint: (side: Side) => number,
): Quantity[] =>
  DEFAULT_MARKS.map((atS) => ({
    key: `${key}-${atS / 60}`,
    group: 'levels',
    label: `${words} in ${atS / 60} min`,
    kind,
    better: 'higher',
    worthNoticing: kind === 'points' ? POINTS_WORTH : SHARE_WORTH,
    figure: (side) => {
      const mark = markOf(side, atS)
      const of = perPoint(side)
      return mark ? { value: mark.gain * of, uncertainty: mark.uncertainty * of } : NONE
    },
  }))

const levels = DEFAULT_MARKS.map((atS): Quantity => ({
  key: `level-${atS / 60}`,
  group: 'levels',
  label: `level at ${atS / 60} min`,
  kind: 'percent',
  better: 'higher',
  worthNoticing: POINTS_WORTH,
  figure: (side) => {
    const mark = markOf(side, atS)
    // A level is one display, a gain the difference of two.
    return mark ? { value: mark.percent, uncertainty: mark.uncertainty / Math.SQRT2 } : NONE
  },
}))

const watts = (key: string, label: string, of: (a: Analysis) => [value: number, uncertainty: number]): Quantity => ({
  key,
  group: 'power',
  label,
  kind: 'watts',
  better: 'higher',
  worthNoticing: SHARE_WORTH,
  figure: ({ analysis }) => {
    const [value, uncertainty] = of(analysis)
    return Number.isFinite(value) ? { value, uncertainty: orUsual(uncertainty, value) } : NONE
  },
}) // prettier-ignore

/** What a device tells of its own watts is taken to be so good: its sensor states no accuracy, and is no meter. */
const OWN_SHARE_U = 0.02
const atBattery = (key: string, label: string, of: (power: PowerFigures) => number): Quantity =>
  watts(key, label, ({ atBattery: own }) => {
    const value = own ? of(own.power) : NaN
    return [value, OWN_SHARE_U * Math.abs(value)]
  })

/** Every figure by which set-ups are compared, in the order of the screen. */
export const QUANTITIES: readonly Quantity[] = [
  ...times,
  {
    key: 'taper-end',
    group: 'times',
    label: 'until the current stops',
    kind: 'time',
    better: 'lower',
    worthNoticing: TIME_WORTH_NOTICING,
    figure: ({ analysis }) => untilCurrentStops(analysis),
  },
  ...levels,
  ...gainIn('gain', 'points gained', 'points', () => 1),
  ...gainIn('wh', 'energy gained', 'wh', ({ usableWh }) => usableWh / 100),
  ...gainIn('use', 'use gained', 'hours', ({ hoursPerPoint }) => hoursPerPoint),
  watts('peak', 'peak', ({ power, peakUncertaintyW }) => [power.peakW, peakUncertaintyW]),
  watts('held', 'held peak', ({ power, heldPeakUncertaintyW }) => [power.heldPeakW, heldPeakUncertaintyW]),
  watts('mean', 'mean', ({ power, meanUncertaintyW }) => [power.meanW, meanUncertaintyW]),
  atBattery('battery-held', 'held peak at the battery', ({ heldPeakW }) => heldPeakW),
  atBattery('battery-mean', 'mean at the battery', ({ meanW }) => meanW),
  {
    key: 'energy',
    group: 'energy',
    label: 'at the meter',
    kind: 'wh',
    better: 'lower',
    worthNoticing: SHARE_WORTH,
    figure: ({ analysis: { energy, energyUncertaintyWh } }) => {
      const value = energy.energyWh + energy.bridgedWh
      return Number.isFinite(value) ? { value, uncertainty: orUsual(energyUncertaintyWh, value) } : NONE
    },
  },
  {
    key: 'efficiency',
    group: 'energy',
    label: 'into the battery',
    kind: 'share',
    better: 'higher',
    worthNoticing: SHARE_WORTH,
    figure: ({ analysis: { efficiency: e } }) =>
      e.reason ? NONE : { value: e.value, uncertainty: e.uncertainty },
  },
  {
    key: 'lost',
    group: 'energy',
    label: 'lost',
    kind: 'wh',
    better: 'lower',
    worthNoticing: SHARE_WORTH,
    figure: ({ analysis: { efficiency: e } }) =>
      e.reason ? NONE : { value: e.energyWh * (1 - e.value), uncertainty: e.energyWh * e.uncertainty },
  },
  {
    key: 'hottest',
    group: 'heat',
    label: 'hottest',
    kind: 'celsius',
    better: 'lower',
    worthNoticing: { atLeast: 2, share: 0 },
    figure: ({ analysis: { heat: [top] } }) =>
      top ? { value: top.maxC, uncertainty: top.uncertaintyC || USUAL_CELSIUS_U } : NONE,
  },
  {
    key: 'rise',
    group: 'heat',
    label: 'rise',
    kind: 'celsius',
    better: 'lower',
    worthNoticing: { atLeast: 2, share: 0 },
    figure: ({ analysis: { heat: [top] } }) =>
      top ? { value: top.riseC, uncertainty: Math.SQRT2 * (top.uncertaintyC || USUAL_CELSIUS_U) } : NONE,
  },
] // prettier-ignore

/** @throws Error where no figure has that key: keys come from the table above. */
export function quantityOf(key: string): Quantity {
  const found = QUANTITIES.find((q) => q.key === key)
  if (!found) throw new Error(`There is no figure called ${key}.`)
  return found
}
