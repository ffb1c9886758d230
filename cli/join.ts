import { writeFile } from 'node:fs/promises'
import { Command } from 'commander'
import { join, type Joined } from '@core/analysis/joining/join'
import { writeTraceCsv } from '@core/formats/traceCsvOut'
import { figure } from '@core/words/figures'
import { notice, readAs, type Finding } from './finding'
import { assumedLines, InputError, numberBetween, readTraceFile } from './input'

interface Options {
  offset?: number
  out?: string
  json?: boolean
}

const FURTHEST_S = 366 * 24 * 3600

export function joinCommand(): Command {
  return new Command('join')
    .description('puts a meter’s file and a device’s file of one run on one clock')
    .argument('<meter>', 'what the meter wrote, as CSV')
    .argument('<device>', 'what the device wrote, as CSV')
    .option(
      '--offset <s>',
      'what to add to the device’s clock, where it is known',
      numberBetween(-FURTHEST_S, FURTHEST_S),
    )
    .option('--out <file>', 'write the joined trace here, as CSV')
    .option('--json', 'print one JSON object')
    .action(async (meterPath: string, devicePath: string, { offset, out, json }: Options) => {
      const meter = await readTraceFile(meterPath)
      const device = await readTraceFile(devicePath)
      const joined = joinedOr(() => join(meter.trace, device.trace, offset), `${meterPath}, ${devicePath}`)
      if (out !== undefined) await write(out, writeTraceCsv(joined.trace))
      process.stdout.write(
        json
          ? JSON.stringify({
              ...asContract(joined),
              findings: [...whyNull(joined, devicePath), ...readAs([meterPath, devicePath], [meter, device])],
            }) + '\n'
          : assumedLines([meterPath, devicePath], [meter, device]) + inWords(joined),
      )
    })
}

function joinedOr(work: () => Joined, paths: string): Joined {
  try {
    return work()
  } catch (error) {
    throw error instanceof RangeError ? new InputError(`${paths}: ${error.message}`) : error
  }
}

async function write(path: string, text: string): Promise<void> {
  try {
    await writeFile(path, text)
  } catch (error) {
    throw new InputError(`${path}: ${(error as Error).message}`)
  }
}

/** Nobody knows how sure a given offset is. */
const whyNull = ({ uncertaintyS }: Joined, device: string): Finding[] =>
  Number.isNaN(uncertaintyS)
    ? [notice('given-offset', device, 'The offset was given: how sure it is was not said.')]
    : []

/** The stable JSON; what cannot be known is null. */
const asContract = ({ offsetS, uncertaintyS, by, powerOnS, trace }: Joined) => ({
  offsetS,
  uncertaintyS: Number.isNaN(uncertaintyS) ? null : uncertaintyS,
  by,
  powerOnS,
  samples: trace.time.length,
})

const BY = {
  'start-of-current': 'by the start of current in both',
  energy: 'by energy delivered against level shown',
  given: 'as given',
}

function inWords({ offsetS, uncertaintyS, by, powerOnS, trace, leftOut }: Joined): string {
  const sure = Number.isNaN(uncertaintyS) ? '' : ` ± ${figure(2 * uncertaintyS, 1, 's')}`
  const idle = leftOut ? `, ${leftOut} readings from before it left out` : ''
  return [
    `offset      ${figure(offsetS, 1, 's')}${sure}, ${BY[by]}; added to the device’s clock`,
    `power-on    ${figure(powerOnS, 1, 's')} by the meter’s clock${idle}`,
    `readings    ${trace.time.length}`,
    '',
  ].join('\n')
}
