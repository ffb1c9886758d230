import { Command, InvalidArgumentError } from 'commander'
import { acceptanceFrom } from '@core/model/acceptance'
import { forecast } from '@core/model/forecast'
import { withDoubt } from '@core/words/sentences/sentence'
import { notice, readAs, type Finding } from './finding'
import { assumedLines, InputError, numberBetween, readTraceFile } from './input'

interface Options {
  sourceW: number[]
  from: number
  to?: number
  json?: boolean
}
const GOALS = [50, 80, 100]

const watts = (text: string): number[] =>
  text.split(',').map((piece) => {
    const value = Number(piece)
    if (!(value > 0 && value <= 500)) throw new InvalidArgumentError('Give watts above 0, like 5,12,20.')
    return value
  })

export function forecastCommand(): Command {
  return new Command('forecast')
    .description('times on weaker sources, from one full run of a device')
    .argument('<full>', 'a full run as CSV, with power')
    .requiredOption('--source-w <list>', 'what the sources give, W, like 5,12,20', watts)
    .option('--from <percent>', 'level to start from', numberBetween(0, 99), 0)
    .option('--to <percent>', 'a further level to reach', numberBetween(0, 100, { above: true }))
    .option('--json', 'print one JSON object')
    .action(async (path: string, options: Options) => {
      const read = await readTraceFile(path)
      const curve = acceptanceFrom(read.trace)
      if (!curve)
        throw new InputError(
          `${path}: not a full run with power: it must start at 10 % or less and reach 99 %, or carry no levels at all`,
        )
      const goals = [...new Set([...GOALS, ...(options.to ? [options.to] : [])])].sort((a, b) => a - b)
      const forecasts = options.sourceW.map((sourceW) => ({
        sourceW,
        times: goals.map((goal) => ({
          goal,
          ...forecast(curve, { sourceWatts: sourceW, from: options.from, to: goal }),
        })),
      }))
      process.stdout.write(
        options.json
          ? asJson(path, options.from, forecasts, readAs([path], [read]))
          : assumedLines([path], [read]) + asTable(path, forecasts),
      )
    })
}

type Forecasts = { sourceW: number; times: { goal: number; seconds: number; uncertaintyS: number }[] }[]

/** Why times are null: what is not above the start is never reached, nor anything on too weak a source. */
const whyNull = (path: string, from: number, forecasts: Forecasts): Finding[] =>
  forecasts.flatMap(({ sourceW, times }) => {
    const none = times.filter(({ seconds }) => !Number.isFinite(seconds)).map(({ goal }) => goal)
    const [below, above] = [none.filter((goal) => goal <= from), none.filter((goal) => goal > from)]
    const words = (goals: readonly number[]) => `${sourceW} W has no time to ${goals.join(', ')} %.`
    return [
      ...(below.length
        ? [notice('not-reached', path, `${words(below)} It is not above the start, ${from} %.`)]
        : []),
      ...(above.length
        ? [notice('not-reached', path, `${words(above)} The device draws as much when it is full.`)]
        : []),
    ]
  })

const asJson = (path: string, from: number, forecasts: Forecasts, assumed: readonly Finding[]): string =>
  JSON.stringify({
    forecasts: forecasts.map(({ sourceW, times }) => ({
      sourceW,
      ...Object.fromEntries(
        times.map(({ goal, seconds }) => [
          `to${goal}S`,
          Number.isFinite(seconds) ? Math.round(seconds) : null,
        ]),
      ),
    })),
    findings: [...whyNull(path, from, forecasts), ...assumed],
  }) + '\n'

const asTable = (path: string, forecasts: Forecasts): string =>
  `${path}, forecast:\n` +
  forecasts
    .map(
      ({ sourceW, times }) =>
        `  ${`${sourceW} W`.padEnd(8)}${times.map(({ goal, seconds, uncertaintyS }) => `to ${goal} % ${withDoubt(seconds, uncertaintyS)}`).join(', ')}\n`,
    )
    .join('')
