// What the commands share: set up this checkout with nothing but Node and npm. No package is imported here.
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const CACHE = join(ROOT, '.cache')

/** Ends with one clear line. */
export function fail(message) {
  console.error(`Inkpath Log: ${message}`)
  process.exit(1)
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    fail(`Node ${process.versions.node} is too old; it needs 20.19 or newer.`)
}

export function checkWritable() {
  try {
    accessSync(ROOT, constants.W_OK)
    mkdirSync(CACHE, { recursive: true })
    accessSync(CACHE, constants.W_OK)
  } catch {
    fail(`the folder ${ROOT} cannot be written to; move the program to a folder of your own.`)
  }
}

/** Runs a command with its output on this terminal; ends with one line when it fails. */
export function run(command, args, what) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' })
  if (error || status !== 0) fail(`${what} failed${error ? ` (${error.message})` : ''}.`)
}

const bin = (name) => join(ROOT, 'node_modules/.bin', name)

/** Does `work` unless it was done before with the same fingerprint. */
function once(stampName, fingerprint, isThere, work) {
  const stamp = join(CACHE, stampName)
  if (isThere() && existsSync(stamp) && readFileSync(stamp, 'utf8') === fingerprint) return
  work()
  writeFileSync(stamp, fingerprint)
}

const hashOf = (...parts) => parts.reduce((h, part) => h.update(part), createHash('sha256')).digest('hex')

export function installPackages() {
  const fingerprint = hashOf(readFileSync(join(ROOT, 'package-lock.json')), process.versions.node)
  once(
    'installed',
    fingerprint,
    () => existsSync(bin('vite')),
    () => {
      console.log('Installing packages (first time, or the lock file changed) …')
      run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], 'npm ci')
    },
  )
}

function* filesIn(folder) {
  for (const entry of readdirSync(join(ROOT, folder), { withFileTypes: true })) {
    const path = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* filesIn(path)
    else if (!entry.name.endsWith('.test.ts')) yield path
  }
}

const stampOf = (path) => {
  const { mtimeMs, size } = statSync(join(ROOT, path))
  return `${path} ${mtimeMs} ${size}\n`
}

/** Builds the web application and the demo logbook unless nothing they are made from changed. */
export function build() {
  const files = [
    ...filesIn('core'),
    ...filesIn('web'),
    ...filesIn('demo'),
    'package-lock.json',
    'vite.config.ts',
    'tsconfig.json',
  ]
  once(
    'built',
    hashOf(...files.map(stampOf)),
    () => existsSync(join(ROOT, 'dist/web/index.html')),
    () => {
      console.log('Building …')
      run(bin('vite'), ['build', '--logLevel', 'warn'], 'the build')
      run(bin('tsx'), ['demo/write.ts'], 'making the demo logbook')
    },
  )
}

/** Debian's Chromium: found, or installed where we may, or one line that says exactly what to run. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return
  const install = 'apt-get update && apt-get install -y --no-install-recommends chromium'
  if (process.getuid?.() !== 0)
    fail(`the end-to-end tests need Debian's Chromium. Run: sudo sh -c '${install}'`)
  console.log("Installing Debian's Chromium …")
  try {
    execFileSync('sh', ['-c', install], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  } catch {
    fail(`Chromium could not be installed. Run by hand: ${install}`)
  }
}
