import { mean } from '../stats/mean'
import { studentisedRange } from '../stats/quantiles'
import { verdict, type Figures, type Repeatability } from './verdict'

/** A set-up as far as an odd result is seen in it. */
export interface Suspect {
  deviceId: string
  ratedW: number
  /** Times to full, s, of its runs; and what a single one is known to. */
  full: Figures
  /** Hottest of its runs, °C; NaN where nobody read it. */
  hottestC: number
  /** A run in which heat slowed the charge. */
  slowedByHeat: boolean
  wireless: boolean
  /** A run that stood still. */
  stalled: boolean
  /** What a full run on another source lets expect of it, s, with its standard uncertainty; NaN without one. */
  expectedS: number
  expectedUncertaintyS: number
}

export type OddKind = 'bigger-slower' | 'repeats-disagree' | 'unlike-forecast' | 'pad-position'
export interface Odd {
  kind: OddKind
  /** Place in the list; `than` where it is odd beside another. */
  index: number
  than: number | null
  /** By how much, s, or as a share. */
  by: number
  /** Likely causes, the likeliest first. */
  causes: Cause[]
}
export type Cause = 'heat' | 'chance' | 'cable' | 'protocol' | 'position' | 'load' | 'curve' | 'background'

/** More rated watts than this share above another make it the bigger. */
const BIGGER = 1.2
const STRAYS_SHARE = 0.15
/** Warmer than the other by this much, °C, heat comes first among the causes. */
const WARMER_C = 1

/** Results that nobody would expect, with their likely causes in order. */
export function oddResults(suspects: readonly Suspect[], repeatability: Repeatability): Odd[] {
  return [
    ...suspects.flatMap((s, i) => biggerSlower(s, i, suspects, repeatability)),
    ...suspects.flatMap((s, index) => disagreeing(s, index, repeatability)),
    ...suspects.flatMap((s, index) => unlikeForecast(s, index)),
    ...suspects.flatMap((s, index): Odd[] =>
      s.wireless && s.stalled
        ? [{ kind: 'pad-position', index, than: null, by: NaN, causes: ['position', 'heat'] }]
        : [],
    ),
  ]
}

function biggerSlower(
  { deviceId, ratedW, full, hottestC, slowedByHeat, wireless }: Suspect,
  index: number,
  all: readonly Suspect[],
  repeatability: Repeatability,
): Odd[] {
  if (full.values.length === 0 || wireless) return []
  const beaten = all
    .flatMap((other, than) => {
      // A bigger battery takes longer on a bigger source, and that is not odd.
      const isAlike = other.deviceId === deviceId && !other.wireless && other.full.values.length > 0
      if (!isAlike || !(ratedW >= BIGGER * other.ratedW)) return []
      const told = verdict(full, other.full, { repeatability })
      return told.verdict !== 'cannot-tell' && told.difference > 0 ? [{ than, by: told.difference }] : []
    })
    .sort((a, b) => b.by - a.by)[0]
  if (!beaten) return []
  const isHot = slowedByHeat || hottestC - all[beaten.than].hottestC > WARMER_C
  const causes: Cause[] = isHot ? ['heat', 'protocol', 'cable', 'chance'] : ['protocol', 'cable', 'heat', 'chance']
  return [{ kind: 'bigger-slower', index, ...beaten, causes: full.values.length > 1 ? causes.filter((c) => c !== 'chance') : causes }]
} // prettier-ignore

/** Repeats that lie further apart than so many do by chance in nineteen of twenty cases (the range of so many, Tukey). */
function disagreeing({ full, slowedByHeat, wireless }: Suspect, index: number, { share, freedom }: Repeatability): Odd[] {
  const { values, uncertainty } = full
  if (values.length < 2) return []
  const [low, high] = [values.reduce((a, b) => Math.min(a, b)), values.reduce((a, b) => Math.max(a, b))]
  const apart = studentisedRange(0.95, values.length, freedom)
  const limit = apart * Math.hypot(share * mean(values), uncertainty || 0)
  if (high - low <= limit) return []
  const causes: Cause[] = [
    ...(slowedByHeat ? (['heat'] as const) : []),
    ...(wireless ? (['position'] as const) : []),
    'background',
    'cable',
  ]
  return [{ kind: 'repeats-disagree', index, than: null, by: high - low, causes }]
} // prettier-ignore

function unlikeForecast(s: Suspect, index: number): Odd[] {
  if (s.full.values.length === 0 || !(s.expectedS > 0)) return []
  const off = mean(s.full.values) / s.expectedS - 1
  const known = 2 * Math.hypot(s.full.uncertainty, s.expectedUncertaintyS)
  if (Math.abs(off) <= STRAYS_SHARE || Math.abs(off * s.expectedS) <= known) return []
  const slower: Cause[] = s.slowedByHeat ? ['heat', 'protocol', 'cable', 'load'] : ['protocol', 'cable', 'heat', 'load']
  return [{ kind: 'unlike-forecast', index, than: null, by: off, causes: off > 0 ? slower : ['curve', 'chance'] }]
} // prettier-ignore
