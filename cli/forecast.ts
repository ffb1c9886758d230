import { Command, InvalidArgumentError } from 'commander'
import { acceptanceFrom } from '@core/model/acceptance'
import { forecast } from '@core/model/forecast'
import { withDoubt } from '@core/words/sentences/sentence'
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
        options.json ? asJson(forecasts) : assumedLines([path], [read]) + asTable(path, forecasts),
      )
    })
}

type Forecasts = { sourceW: number; times: { goal: number; seconds: number; uncertaintyS: number }[] }[]

/** A level that is not above the start is never reached: null. */
const asJson = (forecasts: Forecasts): string =>
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
  }) + '\n'

const asTable = (path: string, forecasts: Forecasts): string =>
  `${path}, forecast:\n` +
  forecasts
    .map(
      ({ sourceW, times }) =>
        `  ${`${sourceW} W`.padEnd(8)}${times.map(({ goal, seconds, uncertaintyS }) => `to ${goal} % ${withDoubt(seconds, uncertaintyS)}`).join(', ')}\n`,
    )
    .join('')
