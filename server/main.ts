import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import { resolve } from 'node:path'
import { Command, InvalidArgumentError } from 'commander'
import getPort, { portNumbers } from 'get-port'
import { createApp } from './app'

const ROOT = resolve(fileURLToPath(import.meta.url), '../..')
const HOST = '127.0.0.1'

const port = (text: string): number => {
  const value = Number(text)
  if (!Number.isInteger(value) || value < 1 || value > 65_535)
    throw new InvalidArgumentError('It must be 1 to 65535.')
  return value
}

const options = new Command('inkpath-server')
  .option(
    '--port <n>',
    'port to listen on; a free one when not given',
    port,
    process.env.PORT ? port(process.env.PORT) : undefined,
  )
  .option('--demo', 'open an empty program with the demo logbook')
  .parse()
  .opts<{ port?: number; demo?: boolean }>()

const server = createServer(
  createApp({
    webFolder: resolve(ROOT, 'dist/web'),
    demoFile: resolve(ROOT, 'dist/demo-logbook.json'),
    openDemo: options.demo ?? false,
  }),
)
server.on('error', (error: NodeJS.ErrnoException) => {
  const reason =
    error.code === 'EADDRINUSE'
      ? 'is in use; choose another with --port, or leave it out for a free one'
      : `cannot be used (${error.code})`
  console.error(`Inkpath Log: port ${options.port} ${reason}.`)
  process.exit(1)
})
const chosen = options.port ?? (await getPort({ host: HOST, port: portNumbers(4310, 4399) }))
server.listen(chosen, HOST, () => console.log(`Inkpath Log is open at http://${HOST}:${chosen}/`))
