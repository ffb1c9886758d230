// npm test: sets up what the tests need, runs them all, and ends with one line "N passed, M failed".
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, checkNode, checkWritable, ensureChromium, installPackages, ROOT } from './setup.mjs'

checkNode()
checkWritable()
installPackages()
ensureChromium()

const total = { passed: 0, failed: 0 }
const bin = (name) => join(ROOT, 'node_modules/.bin', name)
const runTool = (name, args, env = {}) =>
  spawnSync(bin(name), args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } }).status === 0

/** A check with a single outcome, such as the linter; what it says is told once it has ended. */
async function check(title, name, args) {
  const child = spawn(bin(name), args, { cwd: ROOT, env: process.env })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += data))
  const code = await new Promise((resolve) => child.on('close', resolve))
  console.log(`\n— ${title}\n${said}`)
  if (code === 0) total.passed++
  else total.failed++
}

/** A test runner that writes its counts into a JSON file. */
function tests(title, name, args, report, count, env) {
  console.log(`\n— ${title}`)
  const path = join(ROOT, '.cache', report)
  rmSync(path, { force: true })
  const passed = runTool(name, args, env)
  const counts = existsSync(path) ? count(JSON.parse(readFileSync(path, 'utf8'))) : { passed: 0, failed: 1 }
  total.passed += counts.passed
  total.failed += passed ? counts.failed : Math.max(1, counts.failed)
}

// Side by side: each uses one core.
await Promise.all([
  check('types', 'vue-tsc', ['-p', 'tsconfig.json']),
  check('types of core/, without a platform', 'tsc', ['-p', 'tsconfig.core.json']),
  check('lint', 'eslint', ['.']),
  check('formatting', 'prettier', ['--check', '--log-level', 'warn', '.']),
])
tests(
  'unit tests',
  'vitest',
  ['run', '--reporter=default', '--reporter=json', '--outputFile.json=.cache/unit.json'],
  'unit.json',
  (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests }),
)
build()
tests(
  'end-to-end tests',
  'playwright',
  ['test', '--reporter=list,json'],
  'e2e.json',
  ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }),
  { PLAYWRIGHT_JSON_OUTPUT_NAME: join(ROOT, '.cache/e2e.json') },
)

console.log(`\n${total.passed} passed, ${total.failed} failed`)
process.exit(total.failed === 0 ? 0 : 1)
