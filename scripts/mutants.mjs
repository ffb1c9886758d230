// npm run mutants [room …]: changes the core a little at a time and counts how many of the changes its unit tests
// notice. Without rooms, all of them; that takes hours. `--list` also names what nobody noticed. `--share 0.2` changes
// only pieces of a dozen lines drawn by chance, a fifth of all lines (`--seed 7` draws others): an estimate in a fifth
// of the time, said with the share.
import { spawnSync } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './setup.mjs'

const ENOUGH = 80
const words = process.argv.slice(2)
const list = words.includes('--list')
const valueOf = (option, otherwise) =>
  words.includes(option) ? Number(words[words.indexOf(option) + 1]) : otherwise
const share = valueOf('--share', 1)
let seed = valueOf('--seed', 12345)
const named = words.filter((word) => /^[a-z]/.test(word))
const folders = readdirSync(join(ROOT, 'core'), { withFileTypes: true }).filter((entry) =>
  entry.isDirectory(),
)
const rooms = named.length ? named : folders.map((entry) => entry.name)

/** The next number of a small generator (Park and Miller's), from 0 up to 1: the same seed draws the same pieces. */
function chance() {
  seed = (seed * 48271) % 2147483647
  return seed / 2147483647
}

const PIECE = 12

/** What Stryker is to change in a room: every file of it, or the pieces that were drawn. */
function toChange(room) {
  if (share >= 1) return `core/${room}/**/*.ts,!core/**/*.test.ts,!core/**/*.fixture.ts`
  const files = readdirSync(join(ROOT, 'core', room), { recursive: true })
    .map((file) => `core/${room}/${file}`)
    .filter((file) => file.endsWith('.ts') && !/\.(test|fixture)\.ts$/.test(file))
    .sort()
  return files
    .flatMap((file) => {
      const lines = readFileSync(join(ROOT, file), 'utf8').split('\n').length
      const starts = Array.from({ length: Math.ceil(lines / PIECE) }, (_, piece) => piece * PIECE + 1)
      return starts.filter(() => chance() < share).map((start) => `${file}:${start}-${start + PIECE - 1}`)
    })
    .join(',')
}

/** How many mutants of a room its tests noticed; null when they could not be made or run. */
function scoreOf(room) {
  const mutate = toChange(room)
  if (!mutate) return null
  const run = spawnSync(join(ROOT, 'node_modules/.bin/stryker'), ['run', '--mutate', mutate], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    // Its tests run in threads, which cannot change the zone of their process: a test of the night in which clocks
    // are changed finds it changed already.
    env: { TZ: 'America/New_York', ...process.env, MUTANTS_ROOM: room },
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
  const noticed = score?.all ? (100 * score.noticed) / score.all : 0
  short ||= noticed < ENOUGH
  const drawn = share < 1 ? `, drawn from about ${(100 * share).toFixed(0)} % of the lines` : ''
  const said = score ? `${noticed.toFixed(1).padStart(5)} % of ${score.all} noticed${drawn}` : 'did not run'
  console.log(`${room.padEnd(14)} ${said}`)
}
process.exit(short ? 1 : 0)
