import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import { resolve } from 'node:path'
import { Command, InvalidArgumentError } from 'commander'
import getPort, { portNumbers } from 'get-port'
import { createApp } from './app'
import { instrumentsFor } from './instruments/all'

const ROOT = resolve(fileURLToPath(import.meta.url), '../..')
const HOST = '127.0.0.1'

const port = (text: string): number => {
  const value = Number(text)
  if (!Number.isInteger(value) || value < 1 || value > 65_535)
    throw new InvalidArgumentError('It must be 1 to 65535.')
  return value
}

interface Address {
  host: string
  port: number
}
const addresses = (text: string, before: Address[]): Address[] => {
  const found = /^\[?([^\]]+?)\]?:(\d+)$/.exec(text)
  if (!found) throw new InvalidArgumentError('Write it like 192.168.1.20:5025.')
  return [...before, { host: found[1], port: port(found[2]) }]
}
const positive = (text: string): number => {
  const value = Number(text)
  if (!(value > 0 && value <= 3600)) throw new InvalidArgumentError('It must be above 0, and at most 3600.')
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
  .option('--scpi <host:port>', 'an instrument that speaks SCPI over TCP; may be given again', addresses, [])
  .option('--power-supply <folder>', 'where this machine’s batteries are', '/sys/class/power_supply')
  .option('--simulated-speed <n>', 'how fast the simulated instruments run', positive, 1)
  .parse()
  .opts<{
    port?: number
    demo?: boolean
    scpi: Address[]
    powerSupply: string
    simulatedSpeed: number
  }>()

const server = createServer(
  createApp({
    webFolder: resolve(ROOT, 'dist/web'),
    demoFile: resolve(ROOT, 'dist/demo-logbook.json'),
    openDemo: options.demo ?? false,
    instruments: instrumentsFor(options),
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
