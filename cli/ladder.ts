import { Command, InvalidArgumentError } from 'commander'
import { marks } from '@core/analysis/marks'
import { ladder, USUAL_SHARE, type Ladder } from '@core/compare/ladder'
import { duration, figure } from '@core/words/figures'
import { noLevels, notice, readAs } from './finding'
import { assumedLines, numberBetween, readTraceFile, type ReadTrace } from './input'

interface Options {
  at: number
  share: number
  json?: boolean
}
interface Entry {
  file: string
  ratedW: number
}

/** "A.csv=5": a file and what its source is rated. */
function entry(text: string, before: Entry[] = []): Entry[] {
  const at = text.lastIndexOf('=')
  const ratedW = Number(text.slice(at + 1))
  if (at <= 0 || !(ratedW > 0 && ratedW <= 500))
    throw new InvalidArgumentError('Write each as FILE=WATTS, watts above 0 and up to 500.')
  return [...before, { file: text.slice(0, at), ratedW }]
}

export function ladderCommand(): Command {
  return new Command('ladder')
    .description('points gained by a moment against rated watts, and the smallest source that will do')
    .argument('<traces...>', 'traces and what their sources are rated, like A.csv=5 B.csv=10', entry)
    .requiredOption('--at <seconds>', 'the moment, s', numberBetween(0, 1e6, { above: true }))
    .option(
      '--share <share>',
      'share of the best that is enough',
      numberBetween(0, 1, { above: true }),
      USUAL_SHARE,
    )
    .option('--json', 'print one JSON object')
    .action(async (entries: Entry[], { at, share, json }: Options) => {
      const read: ReadTrace[] = []
      for (const { file } of entries) read.push(await readTraceFile(file))
      const rungs = entries.map(({ ratedW }, i) => {
        const [{ gain, uncertainty, ceiling, reason }] = marks(read[i].trace, [at])
        return { ratedW, gain, uncertainty, ceiling, reason }
      })
      const found = ladder(rungs, share)
      const files = entries.map(({ file }) => file)
      const findings = [
        ...files.flatMap((file, i) => noLevels(file, [{ atS: at, reason: rungs[i].reason }])),
        ...(found.smallest ? [] : [notice('no-gain', files[0], 'None will do: nothing was gained by then.')]),
        ...readAs(files, read),
      ]
      process.stdout.write(
        json
          ? JSON.stringify({ ...asContract(entries, at, found), findings }) + '\n'
          : assumedLines(files, read) + asTable(entries, at, found),
      )
    })
}

const known = (n: number): number | null => (Number.isFinite(n) ? n : null)

function asContract(entries: readonly Entry[], atS: number, { steps, smallest }: Ladder) {
  return {
    atS,
    steps: steps.map((s) => ({
      file: entries[s.index].file,
      ratedW: s.ratedW,
      gain: known(s.gain),
      uncertainty: known(s.uncertainty),
      shareOfBest: known(s.shareOfBest),
      ceiling: s.ceiling,
    })),
    smallest: smallest && { file: entries[smallest.index].file, ratedW: smallest.ratedW },
  }
}

const asTable = (entries: readonly Entry[], atS: number, { steps, smallest }: Ladder): string =>
  `after ${duration(atS)}\n` +
  steps
    .map(
      (s) =>
        `  ${figure(s.ratedW, 0, 'W').padEnd(8)}${entries[s.index].file}  gain ${figure(s.gain, 1)}, ${figure(100 * s.shareOfBest, 0, '%')} of the best${s.ceiling ? ', near the ceiling' : ''}${s === smallest ? '  ← the smallest that will do' : ''}\n`,
    )
    .join('')
