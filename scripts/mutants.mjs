// npm run mutants [room …]: changes the core a little at a time and counts how many of the changes its unit tests
// notice. Without rooms, all of them; that takes hours. `--list` also names what nobody noticed.
import { spawnSync } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './setup.mjs'

const ENOUGH = 80
const words = process.argv.slice(2)
const list = words.includes('--list')
const named = words.filter((word) => !word.startsWith('--'))
const folders = readdirSync(join(ROOT, 'core'), { withFileTypes: true }).filter((entry) =>
  entry.isDirectory(),
)
const rooms = named.length ? named : folders.map((entry) => entry.name)

/** How many mutants of a room its tests noticed; null when they could not be made or run. */
function scoreOf(room) {
  const mutate = `core/${room}/**/*.ts,!core/**/*.test.ts,!core/**/*.fixture.ts`
  const run = spawnSync(join(ROOT, 'node_modules/.bin/stryker'), ['run', '--mutate', mutate], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, MUTANTS_ROOM: room },
  })
  if (run.status !== 0) return null
  const { files } = JSON.parse(readFileSync(join(ROOT, '.cache/mutants.json'), 'utf8'))
  const mutants = Object.entries(files).flatMap(([path, file]) => file.mutants.map((m) => ({ path, ...m })))
  const counted = mutants.filter((m) => !['Ignored', 'CompileError', 'RuntimeError'].includes(m.status))
  const missed = counted.filter((m) => m.status === 'Survived' || m.status === 'NoCoverage')
  if (list)
    for (const { path, location, mutatorName, replacement } of missed)
      console.log(`  ${path}:${location.start.line} ${mutatorName}: ${replacement ?? ''}`.slice(0, 160))
  return { noticed: counted.length - missed.length, all: counted.length }
}

mkdirSync(join(ROOT, '.cache'), { recursive: true })
let short = false
for (const room of rooms) {
  const score = scoreOf(room)
  const share = score?.all ? (100 * score.noticed) / score.all : 0
  short ||= share < ENOUGH
  const said = score ? `${share.toFixed(1).padStart(5)} % of ${score.all} noticed` : 'did not run'
  console.log(`${room.padEnd(14)} ${said}`)
}
process.exit(short ? 1 : 0)
