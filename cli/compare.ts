import { Command, Option } from 'commander'
import { medianInterval, samplesOf } from '@core/trace/samples'
import { withWatched } from '@core/trace/trace'
import { HAND_DELAY_S } from '@core/analysis/milestones'
import { compareTraces, type Comparison } from '@core/compare/comparison'
import { duration, figure } from '@core/words/figures'
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
          ? JSON.stringify(asContract(files, found)) + '\n'
          : assumedLines(files, read) + asTable(files, found),
      )
    })
}

const known = (n: number): number | null => (Number.isFinite(n) ? n : null)

/** The stable JSON; what cannot be known is null. */
function asContract(files: readonly string[], c: Comparison) {
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
  }
}

const WORDS = {
  baseline: 'baseline',
  'cannot-tell': 'can’t tell apart',
  small: 'real but small',
  clear: 'clear',
  'not-reached': 'not reached',
} as const

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
      text += `  ${files[i].padEnd(width)}${duration(run.timeS)}  ${run.why || WORDS[run.verdict]}${saved}\n`
    }
  }
  for (const { atS, runs } of c.marks) {
    text += `after ${duration(atS)}\n`
    for (const [i, run] of runs.entries())
      text += `  ${files[i].padEnd(width)}${figure(run.percent, 1, '%')}, gain ${figure(run.gain, 1)}  ${WORDS[run.verdict]}${run.ceiling ? ', near the ceiling' : ''}\n`
  }
  for (const { early, late, fromS, toS } of c.leadChanges)
    text += `${files[early]} led at ${duration(fromS)}; at ${duration(toS)} ${late === null ? 'nobody does' : `${files[late]} does`}\n`
  return text
}
