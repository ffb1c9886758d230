import { durationOf, type Trace } from '../trace/trace'
import { medianInterval, samplesOf } from '../trace/samples'
import { chargingEfficiency, energy, type EnergyFigures } from './energy'
import { findings, type Finding } from './findings/findings'
import { DEFAULT_MARKS, marks, type Mark } from './marks'
import { DEFAULT_MILESTONES, HAND_DELAY_S, milestones, type Milestone } from './milestones'
import { bands, power, type Band, type PowerFigures } from './power'
import { taperEnd } from './taper'

/** Everything the program works out from one trace. SI units; NaN where it cannot be known. */
export interface Analysis {
  samples: number
  durationS: number
  startPercent: number
  endPercent: number
  milestones: Milestone[]
  marks: Mark[]
  power: PowerFigures
  bands: Band[]
  energy: EnergyFigures
  /** 0–1, above 1 when the inputs cannot be right. */
  efficiency: number
  taperEndS: number
  findings: Finding[]
}

export interface AnalyseOptions {
  /** Usable capacity in Wh (rated × health); without it there is no efficiency. */
  usableWh?: number
  /** Further percentages beside 50, 80, 90 and 100. */
  percents?: readonly number[]
  markSeconds?: readonly number[]
  /** Whether levels were noted by hand. Taken from the spacing of the levels when not given. */
  byHand?: boolean
}

/** Levels this far apart, in seconds, are taken to be read by hand when nobody says. */
const BY_HAND_ABOVE_S = 30

/** Works out sections of figures for one trace; never throws on a poor trace, which has findings instead. */
export function analyse(trace: Trace, options: AnalyseOptions = {}): Analysis {
  const shown = samplesOf(trace.time, trace.percent)
  const byHand = options.byHand ?? medianInterval(shown) >= BY_HAND_ABOVE_S
  const percents = [...new Set([...DEFAULT_MILESTONES, ...(options.percents ?? [])])].sort((a, b) => a - b)

  const figures = {
    milestones: milestones(trace, percents, { handDelayS: byHand ? HAND_DELAY_S : 0 }),
    marks: marks(trace, options.markSeconds ?? DEFAULT_MARKS),
    power: power(trace),
    energy: energy(trace),
  }
  const startPercent = shown.v[0] ?? NaN
  const endPercent = shown.v.at(-1) ?? NaN
  const meterWh = figures.energy.energyWh + figures.energy.bridgedWh
  const efficiency = chargingEfficiency(endPercent - startPercent, options.usableWh ?? NaN, meterWh)
  const taperEndS = taperEnd(trace, figures.power.heldPeakW, figures.power.heldPeakAtS)
  return {
    samples: trace.time.length,
    durationS: durationOf(trace),
    startPercent,
    endPercent,
    ...figures,
    bands: bands(trace),
    efficiency,
    taperEndS,
    findings: findings({ trace, ...figures, efficiency, taperEndS }),
  }
}
