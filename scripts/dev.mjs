// npm run dev: the program with live reload, and the demo logbook at hand.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { build, checkNode, checkWritable, installPackages, ROOT } from './setup.mjs'

const API_PORT = '4309'
checkNode()
checkWritable()
installPackages()
build()
const start = (name, args) =>
  spawn(join(ROOT, 'node_modules/.bin', name), args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, API_PORT },
  })
const children = [
  start('tsx', ['watch', 'server/main.ts', '--port', API_PORT]),
  start('vite', ['--host', '127.0.0.1']),
]
const stop = () => children.forEach((child) => child.kill())
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop)
for (const child of children) child.on('exit', stop)
