// npm run demo: from a fresh clone to the running program with the demo logbook.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { build, checkNode, checkWritable, installPackages, ROOT } from './setup.mjs'

checkNode()
checkWritable()
installPackages()
build()
const server = spawn(
  join(ROOT, 'node_modules/.bin/tsx'),
  ['server/main.ts', '--demo', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 0))
