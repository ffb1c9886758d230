import { Command, Option } from 'commander'
import { medianInterval, samplesOf } from '@core/trace/samples'
import { withWatched } from '@core/trace/trace'
import { HAND_DELAY_S } from '@core/analysis/milestones'
import { compareTraces, type Comparison, type Word } from '@core/compare/comparison'
import { duration, figure } from '@core/words/figures'
import { noLevels, notice, readAs, type Finding } from './finding'
import { assumedLines, InputError, numbersBetween, readTraceFile, type ReadTrace } from './input'

interface Options {
  baseline?: string
  align: 'start' | 'level'
  watched?: number[]
  json?: boolean
}

/** Levels this far apart are taken to be read by hand, s. */
const BY_HAND_ABOVE_S = 30

export function compareCommand(): Command {
  return new Command('compare')
    .description('runs against one another: times, marks, and whether a difference is real')
    .argument('<traces...>', 'two traces or more as CSV')
    .option('--baseline <trace>', 'one of them; the slowest where it is left out')
    .addOption(
      new Option('--align <from>', 'clocks from power-on, or from the highest common start level')
        .choices(['start', 'level'])
        .default('start'),
    )
    .option('--watched <levels>', 'levels whose first reading was watched', numbersBetween(0, 100))
    .option('--json', 'print one JSON object')
    .action(async (files: string[], options: Options) => {
      if (files.length < 2) throw new InputError('compare: give two traces at least')
      const baseline = options.baseline === undefined ? undefined : files.indexOf(options.baseline)
      if (baseline === -1)
        throw new InputError(`compare: the baseline ${options.baseline} is none of the traces`)
      const read: ReadTrace[] = []
      for (const file of files) read.push(await readTraceFile(file))
      const traces = read.map(({ trace }) => withWatched(trace, options.watched ?? []))
      const isByHand = traces.some((t) => medianInterval(samplesOf(t.time, t.percent)) >= BY_HAND_ABOVE_S)
      const found = compareTraces(traces, {
        baseline,
        align: options.align,
        handDelayS: isByHand ? HAND_DELAY_S : 0,
      })
      process.stdout.write(
        options.json
          ? JSON.stringify(asContract(files, found, readAs(files, read))) + '\n'
          : assumedLines(files, read) + asTable(files, found),
      )
    })
}

const known = (n: number): number | null => (Number.isFinite(n) ? n : null)

/** Why values of a comparison are null. */
function whyNull(files: readonly string[], c: Comparison): Finding[] {
  const base = files[c.baseline]
  return [
    ...c.milestones.flatMap(({ percent, runs }) => {
      const none = runs.flatMap((run, i) =>
        run.reason ? [notice('not-reached', files[i], `${percent} % has no time. ${run.reason}`)] : [],
      )
      const isAlone = runs[c.baseline].reason && none.length < runs.length
      const words = `Nothing is saved to ${percent} %: the baseline has no time to it.`
      return isAlone ? [...none, notice('no-baseline', base, words)] : none
    }),
    ...files.flatMap((file, i) =>
      noLevels(
        file,
        c.marks.map(({ atS, runs }) => ({ atS, reason: runs[i].reason })),
      ),
    ),
  ]
}

/** The stable JSON. What cannot be known is null, with its reason among the findings; so is what was assumed of a file. */
function asContract(files: readonly string[], c: Comparison, assumed: readonly Finding[]) {
  return {
    baseline: files[c.baseline],
    alignedAtPercent: c.alignedAtPercent,
    milestones: c.milestones.map(({ percent, runs }) => ({
      percent,
      runs: runs.map((run, i) => ({
        file: files[i],
        timeS: known(run.timeS),
        uncertaintyS: known(run.uncertaintyS),
        savedS: known(run.savedS),
        savedShare: known(run.savedShare),
        speedRatio: known(run.speedRatio),
        verdict: run.verdict,
        atLeastS: run.atLeastS,
      })),
    })),
    marks: c.marks.map(({ atS, runs }) => ({
      atS,
      runs: runs.map((run, i) => ({
        file: files[i],
        percent: known(run.percent),
        gain: known(run.gain),
        uncertainty: known(run.uncertainty),
        verdict: run.verdict,
        ceiling: run.ceiling,
      })),
    })),
    leaders: c.leaders.map(({ goal, atS, indexes }) => ({
      goal,
      ...(atS === undefined ? {} : { atS }),
      files: indexes.map((i) => files[i]),
    })),
    leadChanges: c.leadChanges.map(({ early, late, fromS, toS }) => ({
      early: files[early],
      late: late === null ? null : files[late],
      fromS,
      toS,
    })),
    findings: [...whyNull(files, c), ...assumed],
  }
}

const WORDS = {
  baseline: 'baseline',
  'cannot-tell': 'can’t tell apart',
  small: 'real but small',
  clear: 'clear',
  'not-reached': 'not reached',
} as const

/** Against a baseline that has no figure nothing can be told. */
const told = (verdict: Word, baseline: { reason: string }): string =>
  verdict === 'cannot-tell' && baseline.reason ? 'the baseline has none' : WORDS[verdict]

function asTable(files: readonly string[], c: Comparison): string {
  const width = Math.max(...files.map((f) => f.length)) + 2
  let text = `against ${files[c.baseline]}${c.alignedAtPercent === null ? '' : `, clocks from ${c.alignedAtPercent} %`}\n`
  for (const { percent, runs } of c.milestones) {
    text += `to ${percent} %\n`
    for (const [i, run] of runs.entries()) {
      const saved =
        run.verdict === 'clear' || run.verdict === 'small'
          ? `, ${duration(run.savedS)} saved (at least ${duration(run.atLeastS)}), ${figure(100 * run.savedShare, 1, '%')} of the time, ${figure(run.speedRatio, 2)} × the speed`
          : ''
      text += `  ${files[i].padEnd(width)}${duration(run.timeS)}  ${run.why || told(run.verdict, runs[c.baseline])}${saved}\n`
    }
  }
  for (const { atS, runs } of c.marks) {
    text += `after ${duration(atS)}\n`
    for (const [i, run] of runs.entries())
      text += `  ${files[i].padEnd(width)}${figure(run.percent, 1, '%')}, gain ${figure(run.gain, 1)}  ${told(run.verdict, runs[c.baseline])}${run.ceiling ? ', near the ceiling' : ''}\n`
  }
  for (const { early, late, fromS, toS } of c.leadChanges)
    text += `${files[early]} led at ${duration(fromS)}; at ${duration(toS)} ${late === null ? 'nobody does' : `${files[late]} does`}\n`
  return text
}
