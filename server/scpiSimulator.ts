import { createServer } from 'node:net'
import { performance } from 'node:perf_hooks'
import { Command } from 'commander'
import { simulatedBench } from '@core/model/instruments'
import { simulatedSetup } from '@core/model/setup'

/** A simulated instrument that speaks SCPI over TCP, to prove the bridge over a real socket. */
const { port, speed, seed, host } = new Command('scpi-simulator')
  .option('--host <address>', 'address to listen on', '127.0.0.1')
  .option('--port <n>', 'port to listen on; 0 for a free one', Number, 5025)
  .option('--speed <n>', 'how fast its charge runs', Number, 1)
  .option('--seed <n>', 'seed of its noise', Number, 1)
  .parse()
  .opts<{ host: string; port: number; speed: number; seed: number }>()

const bench = simulatedBench(simulatedSetup(), seed)
const began = performance.now()
let volts = 0
let amps = 0
let celsius = 21

/** Brings the charge up to now. */
function follow(): void {
  const readings = bench.advanceTo(Math.floor(((performance.now() - began) / 1000) * speed))
  const last = readings.at(-1)
  if (!last) return
  volts = last.voltage ?? 0
  amps = last.current ?? 0
  celsius = last.temperatures?.back ?? celsius
}

function answer(question: string): string {
  follow()
  switch (question.toUpperCase().replace(/:DC\?$/, '?')) {
    case '*IDN?':
      return 'Inkpath Log,Simulated instrument,0,1'
    case 'MEAS:VOLT?':
    case 'MEASURE:VOLTAGE?':
      return volts.toExponential(5)
    case 'MEAS:CURR?':
    case 'MEASURE:CURRENT?':
      return amps.toExponential(5)
    case 'MEAS:TEMP?':
    case 'MEASURE:TEMPERATURE?':
      return celsius.toExponential(5)
    default:
      // What it does not know is "not a number", as the standard has it.
      return '9.91E37'
  }
}

const server = createServer((socket) => {
  let rest = ''
  socket.setEncoding('ascii')
  socket.on('error', () => socket.destroy())
  socket.on('data', (chunk: string) => {
    const lines = (rest + chunk).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines.map((l) => l.trim()).filter(Boolean)) socket.write(`${answer(line)}\n`)
  })
})
server.listen(port, host, () => {
  const address = server.address()
  console.log(`Simulated instrument listens on ${host}:${typeof address === 'object' ? address?.port : port}`)
})
