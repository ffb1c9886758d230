import { durationOf, powerColumn, type Trace } from '../trace/trace'
import { atBattery, curveOf, type AtBattery } from './atBattery'
import { medianInterval, samplesOf } from '../trace/samples'
import type { Accuracy } from '../gear/accuracy'
import { efficiency, type Efficiency } from './efficiency'
import { energy, type EnergyFigures } from './energy'
import { energyFlow } from './flow'
import type { Claim } from '../gear/claims'
import { DEFAULT_STOP_LIMIT_C } from '../protocol/protocol'
import { claimsAgainst, type ClaimVerdict } from './claimed'
import type { FindingContext } from './findings/finding'
import { findings, type Finding } from './findings/findings'
import { heat, type Heat } from './heat'
import { DEFAULT_MARKS, marks, type Mark } from './marks'
import { DEFAULT_MILESTONES, HAND_DELAY_S, milestones, type Milestone } from './milestones'
import type { Span } from './integral'
import { meterError } from './meterError'
import { onOffOf } from './parts/onOff'
import { partsOf, type Part } from './parts/parts'
import { bands, power, type Band, type PowerFigures } from './power'
import { spotCheck, type Spot } from './spot'
import { standstills } from './standstill'
import { supplyOf, type Supply } from './supply'
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
  /** With the standard uncertainty of each mean, W; NaN where the meter states none. */
  bands: (Band & { uncertaintyW: number })[]
  energy: EnergyFigures
  /** Standard uncertainty that the meter's stated accuracy and the gaps leave about the energy, bridged included, Wh. */
  energyUncertaintyWh: number
  /** Standard uncertainty of the mean power, W; NaN where the meter states none. */
  meanUncertaintyW: number
  /** Standard uncertainties of the watts at peak and held peak from the meter's accuracy; NaN where it states none. */
  peakUncertaintyW: number
  heldPeakUncertaintyW: number
  efficiency: Efficiency
  /** By the battery's own watts; null where they were not read. */
  atBattery: AtBattery | null
  /** Whose watts the bands, the taper's end and the parts are made of: the battery's only where no meter read the source's. */
  curveAt: 'source' | 'battery'
  taperEndS: number
  parts: Part[]
  supply: Supply[]
  heat: Heat[]
  /** Null where the record is no spot check. */
  spot: Spot | null
  claims: ClaimVerdict[]
  findings: Finding[]
}

export interface AnalyseOptions {
  /** Usable capacity in Wh (rated × health); without it there is no efficiency. */
  usableWh?: number
  /** Its standard uncertainty as a share of it. */
  usableShare?: number
  /** What the run was measured with. */
  meter?: Accuracy
  thermometer?: Accuracy
  /** Further percentages beside 50, 80, 90 and 100. */
  percents?: readonly number[]
  markSeconds?: readonly number[]
  /** Of the room, °C. */
  ambientC?: number
  /** Minutes at which temperatures were agreed to be read, s. */
  heatMarksS?: readonly number[]
  /** What is advertised of the device. */
  claims?: readonly Claim[]
  /** What findings go by beside the trace. */
  context?: Partial<FindingContext>
  /** Whether levels were noted by hand. Taken from the spacing of the levels when not given. */
  byHand?: boolean
}

/** Levels this far apart, in seconds, are taken to be read by hand when nobody says. */
const BY_HAND_ABOVE_S = 30

const NO_CONTEXT: FindingContext = {
  reading: null,
  stopLimitC: DEFAULT_STOP_LIMIT_C,
  expectedVolts: NaN,
  unknownConditions: [],
  unpluggedS: NaN,
}

/** Works out sections of figures for one trace; never throws on a poor trace, which has findings instead. */
export function analyse(trace: Trace, options: AnalyseOptions = {}): Analysis {
  const shown = samplesOf(trace.time, trace.percent)
  const byHand = options.byHand ?? medianInterval(shown) >= BY_HAND_ABOVE_S
  const percents = [...new Set([...DEFAULT_MILESTONES, ...(options.percents ?? [])])].sort((a, b) => a - b)

  const reading = { handDelayS: byHand ? HAND_DELAY_S : 0 }
  const figures = {
    milestones: milestones(trace, percents, reading),
    marks: marks(trace, options.markSeconds ?? DEFAULT_MARKS),
    power: power(trace),
    energy: energy(trace),
  }
  const usableWh = options.usableWh ?? NaN
  const startPercent = shown.v[0] ?? NaN
  const endPercent = shown.v.at(-1) ?? NaN
  const open = meterError(trace, options.meter)
  const { energyWh, bridgedWh, uncertaintyWh } = figures.energy
  const span = { startS: 0, endS: durationOf(trace) }
  const charged = efficiency(trace, { usableWh, uncertainty: options.usableShare ?? 0 }, open)
  const flow = energyFlow(trace)
  // Of a mean, what its energy leaves open: a meter that is off is off all the time.
  const meanUncertainty = ({ startS, endS }: Span, watts: number): number => {
    const hours = (endS - startS) / 3600
    return hours > 0 ? open.energyOver(flow, { startS, endS }, watts * hours) / hours : NaN
  }
  const ownWatts = atBattery(trace)
  const curve = curveOf(trace, !Number.isNaN(figures.power.peakW))
  const alone = curve === trace ? null : ownWatts
  const { heldPeakW, heldPeakAtS } = (alone ?? figures).power
  const taperEndS = taperEnd(curve, heldPeakW, heldPeakAtS)
  const supply = supplyOf(trace)
  const switched = onOffOf(samplesOf(curve.time, powerColumn(curve)), heldPeakW)
  const parts = partsOf(curve, { supply, switched, taperEndS })
  return {
    samples: trace.time.length,
    durationS: durationOf(trace),
    startPercent,
    endPercent,
    ...figures,
    bands: bands(curve).map((band) => ({
      ...band,
      uncertaintyW: alone ? NaN : meanUncertainty(band, band.meanW),
    })),
    meanUncertaintyW: meanUncertainty(span, figures.power.meanW),
    energyUncertaintyWh: Math.hypot(uncertaintyWh, open.energyOver(flow, span, energyWh + bridgedWh) || 0),
    peakUncertaintyW: open.wattsAt(figures.power.peakAtS, figures.power.peakW),
    heldPeakUncertaintyW: open.wattsAt(figures.power.heldPeakAtS, figures.power.heldPeakW),
    efficiency: charged,
    atBattery: ownWatts,
    curveAt: alone ? 'battery' : 'source',
    taperEndS,
    parts,
    supply,
    heat: heat(trace, {
      thermometer: options.thermometer,
      ambientC: options.ambientC,
      marksS: options.heatMarksS,
    }),
    spot: spotCheck(trace, {
      energyWh: energyWh + bridgedWh,
      usableWh,
    }),
    claims: claimsAgainst(trace, options.claims ?? [], reading),
    findings: findings({
      trace,
      ...figures,
      efficiency: charged,
      taperEndS,
      parts,
      supply,
      switched,
      standstills: standstills(trace, { heldPeakW: (ownWatts ?? figures).power.heldPeakW, usableWh }),
      usableWh,
      context: { ...NO_CONTEXT, ...options.context },
    }),
  }
}
