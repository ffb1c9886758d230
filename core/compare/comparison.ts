import { maxIndex } from 'd3-array'
import { DEFAULT_MARKS, marks } from '../analysis/marks'
import { DEFAULT_MILESTONES, milestones, type MilestoneOptions } from '../analysis/milestones'
import type { Trace } from '../trace/trace'
import { BEFORE, fromCommonLevel, fromPowerOn, NEVER, type Alignment } from './align'
import { gainsOf, leadChanges, type LeadChange } from './leads'
import { timeDifference, type TimeDifference } from './times'
import { leadingGroup, TIME_WORTH_NOTICING, verdict, type Repeatability, type VerdictWord } from './verdict'

export type Word = VerdictWord | 'baseline' | 'not-reached'

/** A run's time to a level against the baseline's. s; NaN where not reached. */
export interface ComparedTime extends TimeDifference {
  timeS: number
  uncertaintyS: number
  verdict: Word
  /** Why there is no time, in a word or two, and in a sentence; '' where there is one. */
  why: string
  reason: string
  /** The difference is at least so much; 0 where it can't be told. */
  atLeastS: number
}
/** A run's level at a moment against the baseline's. Points; NaN where unknown. */
export interface ComparedMark {
  percent: number
  gain: number
  uncertainty: number
  ceiling: boolean
  verdict: Word
  /** Why there is no level, in a sentence; '' where there is one. */
  reason: string
}
/** Everything that can't be told apart from the best at something, by place in the list. */
export interface Leaders {
  goal: 'half' | 'eighty' | 'full' | 'mark'
  /** Of a mark, s. */
  atS?: number
  indexes: number[]
}

export interface Comparison {
  baseline: number
  alignedAtPercent: number | null
  milestones: { percent: number; runs: ComparedTime[] }[]
  marks: { atS: number; runs: ComparedMark[] }[]
  leaders: Leaders[]
  leadChanges: LeadChange[]
}

export interface CompareOptions extends MilestoneOptions {
  /** Place of the baseline; where it is not given the slowest: to the farthest level, else by the latest mark. */
  baseline?: number
  align?: 'start' | 'level'
  repeatability?: Repeatability
}

/** Points worth noticing at a mark. */
const MARK_WORTH_NOTICING = { atLeast: 2, share: 0 }
const GOALS = { 50: 'half', 80: 'eighty', 100: 'full' } as const

/**
 * Single runs against one another, one of each set-up.
 *
 * @throws RangeError with fewer than two runs, or a baseline that is none of them
 */
export function compareTraces(traces: readonly Trace[], options: CompareOptions = {}): Comparison {
  const { align = 'start', repeatability, handDelayS } = options
  if (traces.length < 2) throw new RangeError('A comparison needs two runs at least.')
  const alignment = align === 'level' ? fromCommonLevel(traces) : fromPowerOn(traces)
  const times = DEFAULT_MILESTONES.map((percent) => ({
    percent,
    runs: traces.map((trace, i) => timeOf(trace, percent, alignment, i, { handDelayS })),
  }))
  const levels = levelsOf(traces, alignment)
  const baseline =
    options.baseline ??
    slowest([
      ...levels.map(({ runs }) => runs.map(({ gain }) => -gain)),
      ...times.map(({ runs }) => runs.map((r) => r.timeS)),
    ])
  if (!(baseline in traces)) throw new RangeError('The baseline is none of the runs.')
  const single = (timeS: number, uncertainty: number) => ({ values: [timeS], uncertainty })
  return {
    baseline,
    alignedAtPercent: alignment.percent,
    milestones: times.map(({ percent, runs }) => ({
      percent,
      runs: runs.map((run, i): ComparedTime => {
        const base = runs[baseline]
        const against = timeDifference(run.timeS, base.timeS)
        if (Number.isNaN(run.timeS)) return { ...run, ...against, verdict: 'not-reached', atLeastS: 0 }
        if (i === baseline) return { ...run, ...against, verdict: 'baseline', atLeastS: 0 }
        if (Number.isNaN(base.timeS)) return { ...run, ...against, verdict: 'cannot-tell', atLeastS: 0 }
        const told = verdict(single(run.timeS, run.uncertaintyS), single(base.timeS, base.uncertaintyS), {
          repeatability,
          worthNoticing: TIME_WORTH_NOTICING,
        })
        return { ...run, ...against, verdict: told.verdict, atLeastS: told.atLeast }
      }),
    })),
    marks: levels.map(({ atS, runs }) => ({
      atS,
      runs: runs.map((run, i) => ({
        ...run,
        verdict: markWord(run, runs[baseline], i === baseline, repeatability),
      })),
    })),
    leaders: [
      ...times.flatMap(({ percent, runs }): Leaders[] => {
        if (!(percent in GOALS)) return []
        const figures = runs.map((r) => single(r.timeS, r.uncertaintyS))
        const indexes = leadingGroup(figures, 'lower', repeatability)
        return indexes.length ? [{ goal: GOALS[percent as keyof typeof GOALS], indexes }] : []
      }),
      ...levels.flatMap(({ atS, runs }): Leaders[] => {
        const figures = runs.map((r) => single(r.gain, r.uncertainty))
        const indexes = leadingGroup(figures, 'higher', repeatability)
        return indexes.length ? [{ goal: 'mark', atS, indexes }] : []
      }),
    ],
    leadChanges: leadChanges(
      gainsOf(traces.map((_, i) => [{ marks: levels.map(({ atS, runs }) => ({ ...runs[i], atS })) }])),
      repeatability,
    ),
  }
}

function timeOf(
  trace: Trace,
  percent: number,
  { percent: from, shiftS }: Alignment,
  i: number,
  options: MilestoneOptions,
) {
  const [m] = milestones(trace, [percent], options)
  const isBefore = from !== null && percent <= from
  const none = (why: string, reason: string) => ({ timeS: NaN, uncertaintyS: NaN, why, reason })
  if (m.brief) return none(m.brief, m.reason ?? '')
  if (Number.isNaN(shiftS[i])) return none('not reached', NEVER)
  if (isBefore) return none('started there', BEFORE)
  return { timeS: m.timeS - shiftS[i], uncertaintyS: m.uncertaintyS, why: '', reason: '' }
}

/** Levels at the agreed moments of the shifted clocks; gains are those since the clocks began. */
function levelsOf(traces: readonly Trace[], { percent: from, shiftS }: Alignment) {
  // The first is where the clocks begin, read off the display as the others are.
  const byRun = traces.map((trace, i) =>
    marks(
      trace,
      [0, ...DEFAULT_MARKS].map((atS) => atS + (shiftS[i] || 0)),
    ),
  )
  return DEFAULT_MARKS.map((atS, at) => ({
    atS,
    runs: byRun.map((run, i) => {
      const { percent, gain, uncertainty, ceiling, reason = '' } = run[at + 1]
      const known = !Number.isNaN(shiftS[i])
      return {
        percent: known ? percent : NaN,
        gain: !known ? NaN : from === null ? gain : percent - run[0].percent,
        uncertainty: known ? uncertainty : NaN,
        ceiling: known && ceiling,
        reason: known ? reason : NEVER,
      }
    }),
  })).filter(({ runs }) => runs.some((r) => !Number.isNaN(r.percent)))
}

function markWord(
  run: { gain: number; uncertainty: number },
  base: { gain: number; uncertainty: number },
  isBaseline: boolean,
  repeatability?: Repeatability,
): Word {
  if (Number.isNaN(run.gain)) return 'not-reached'
  if (isBaseline) return 'baseline'
  if (Number.isNaN(base.gain)) return 'cannot-tell'
  const [a, b] = [run, base].map(({ gain, uncertainty }) => ({ values: [gain], uncertainty }))
  return verdict(a, b, { repeatability, worthNoticing: MARK_WORTH_NOTICING }).verdict
}

/** The slowest by the last figure that two runs have: so no saving is negative without need. The first without any. */
function slowest(figures: readonly (readonly number[])[]): number {
  const counted = figures.findLast((runs) => runs.filter((n) => !Number.isNaN(n)).length > 1)
  return counted ? maxIndex(counted) : 0
}
