// npm run properties [TIMES]: tries every property from new seeds, and names the seed at which one fails.
import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './setup.mjs'

const times = Number(process.argv[2] ?? 10)
const files = ['core', 'web']
  .flatMap((room) => readdirSync(join(ROOT, room), { recursive: true }).map((path) => join(room, path)))
  .filter((path) => path.endsWith('.test.ts') && readFileSync(join(ROOT, path), 'utf8').includes('fc.assert'))

let failed = 0
for (let i = 0; i < times; i++) {
  const seed = (Date.now() + i) % 2 ** 31
  const run = spawnSync(join(ROOT, 'node_modules/.bin/vitest'), ['run', '--reporter=dot', ...files], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, PROPERTY_SEED: String(seed) },
  })
  if (run.status !== 0) {
    failed++
    console.log(run.stdout, run.stderr)
  }
  console.log(`${i + 1} of ${times}: PROPERTY_SEED=${seed} ${run.status === 0 ? 'holds' : 'FAILS'}`)
}
process.exit(failed ? 1 : 0)
