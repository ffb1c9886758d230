import { Command, CommanderError } from 'commander'
import { agreeCommand } from './agree'
import { analyseCommand } from './analyse'
import { compareCommand } from './compare'
import { forecastCommand } from './forecast'
import { joinCommand } from './join'
import { ladderCommand } from './ladder'
import { InputError } from './input'

/** Exit codes: 0, or 2 with one line on standard error. */
const FAILED = 2

/** Runs one command; what it has to say goes to standard output, what is amiss to standard error. Returns its exit code. */
export async function runCommand(words: readonly string[]): Promise<number> {
  const program = new Command('inkpath')
    .description('Works out charging with the same core as the web application.')
    .exitOverride()
    .configureOutput({ outputError: (text, write) => write(text.replace(/\n(?=.)/g, ' ')) })
    .addCommand(analyseCommand())
    .addCommand(compareCommand())
    .addCommand(ladderCommand())
    .addCommand(forecastCommand())
    .addCommand(agreeCommand())
    .addCommand(joinCommand())
  for (const command of program.commands) command.exitOverride().configureOutput(program.configureOutput())

  try {
    await program.parseAsync([...words], { from: 'user' })
    return 0
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : FAILED
    const message = error instanceof InputError ? error.message : `unexpected: ${(error as Error).message}`
    process.stderr.write(`inkpath: ${message.replace(/\s*\n\s*/g, ' ')}\n`)
    return FAILED
  }
}
