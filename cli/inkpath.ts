import { runCommand } from './program'

process.exitCode = await runCommand(process.argv.slice(2))
