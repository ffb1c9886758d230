import { performance } from 'node:perf_hooks'
import type { Instrument, Sample } from './instrument'
import { ScpiLine } from './scpi'

const EVERY_MS = 1000

/** Which questions an instrument answers; found out once, by asking. IEEE 488.2 and SCPI-99. */
const QUESTIONS = { voltage: 'MEAS:VOLT?', current: 'MEAS:CURR?', temperature: 'MEAS:TEMP?' } as const

/** Any instrument that speaks SCPI over TCP, asked once a second for what it can measure. */
export function scpiInstrument(host: string, port: number): Instrument {
  return {
    id: `scpi-${host.replace(/[^\w.-]/g, '_')}-${port}`,
    name: `Instrument at ${host}:${port}`,
    kind: 'meter',
    simulated: false,
    stream(deliver, failed) {
      let stopped = false
      let line: ScpiLine | undefined
      const began = performance.now()
      const run = async () => {
        line = await ScpiLine.open(host, port)
        await line.ask('*IDN?')
        let next = performance.now()
        while (!stopped) {
          deliver(await measure(line, (performance.now() - began) / 1000))
          next += EVERY_MS
          await wait(Math.max(0, next - performance.now()))
        }
      }
      run().catch((error: Error) => {
        line?.close()
        if (!stopped) failed(`${host}:${port}: ${error.message}`)
      })
      return () => {
        stopped = true
        line?.close()
      }
    },
  }
}

async function measure(line: ScpiLine, t: number): Promise<Sample> {
  const voltage = await line.askNumber(QUESTIONS.voltage)
  const current = await line.askNumber(QUESTIONS.current)
  const celsius = await line.askNumber(QUESTIONS.temperature)
  return {
    t: Math.round(t * 1000) / 1000,
    ...(voltage === undefined ? {} : { voltage }),
    ...(current === undefined ? {} : { current }),
    ...(celsius === undefined ? {} : { temperatures: { probe: celsius } }),
  }
}

/** Asks an instrument who it is: its own words, or the reason why it cannot be heard. */
export async function identify(host: string, port: number): Promise<string> {
  const line = await ScpiLine.open(host, port)
  try {
    const [maker, model] = (await line.ask('*IDN?')).split(',')
    return [maker, model].filter(Boolean).join(' ').slice(0, 80)
  } finally {
    line.close()
  }
}

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
