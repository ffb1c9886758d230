import { performance } from 'node:perf_hooks'
import { BOUNDS, TEMPERATURE_BOUNDS } from '@core/trace/bounds'
import type { Instrument, Sample } from './instrument'
import { parseScpiNumber, ScpiLine, Unanswered } from './scpi'

const EVERY_MS = 1000
const IDENTITY = '*IDN?'

/** What is asked for once a second, and what an answer may be. IEEE 488.2 and SCPI-99. */
const QUESTIONS = [
  { key: 'voltage', ask: 'MEAS:VOLT?', bounds: BOUNDS.voltage },
  { key: 'current', ask: 'MEAS:CURR?', bounds: BOUNDS.current },
  { key: 'temperature', ask: 'MEAS:TEMP?', bounds: TEMPERATURE_BOUNDS },
] as const
type Key = (typeof QUESTIONS)[number]['key']

/** A question left unanswered this often is not asked again for a while: it would only hold up the others. */
const SILENCES = 2
const REST_CYCLES = 60
/** So many lines that do not fit in a row, and the instrument is not understood. */
const MISFITS = 5

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
      const run = async () => {
        line = await ScpiLine.open(host, port)
        if (stopped) return line.close()
        const asker = new Asker(line)
        await asker.begin()
        let next = performance.now()
        while (!stopped) {
          const sample = await asker.cycle()
          if (stopped) return
          if (sample) deliver(sample)
          next = Math.max(next + EVERY_MS, performance.now())
          await wait(next - performance.now())
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

/**
 * Asks one instrument its questions. After each round it asks who the instrument is: where the answer is another, a
 * line came unasked and every answer since stands under the wrong question. Such a round is thrown away.
 */
class Asker {
  private identity = ''
  private misfits = 0
  private readonly began = performance.now()
  private readonly silences = new Map<Key, number>()
  private readonly resting = new Map<Key, number>()

  constructor(private readonly line: ScpiLine) {}

  /** Learns who the instrument is: by two answers that agree, so that nothing said unasked passes for its name. */
  async begin(): Promise<void> {
    for (let tries = 0; tries < MISFITS; tries++) {
      await this.line.drain()
      this.identity = await this.line.ask(IDENTITY)
      if (this.identity !== '' && (await this.line.ask(IDENTITY)) === this.identity) return
    }
    throw new Error('It does not say who it is twice in the same words.')
  }

  /** One round; undefined when nothing in it can be trusted, or nothing was measured. */
  async cycle(): Promise<Sample | undefined> {
    const values: Partial<Record<Key, number>> = {}
    // What came between two rounds is thrown away by the first question, and harms nothing.
    await this.line.drainIfSpoken()
    let answeredAt = performance.now()
    for (const { key, ask, bounds } of QUESTIONS) {
      const value = await this.askOne(key, ask)
      if (value === undefined || value < bounds[0] || value > bounds[1]) continue
      values[key] = value
      // A sample is of the moment in which its volts and amperes were told.
      if (key !== 'temperature' || Object.keys(values).length === 1) answeredAt = performance.now()
    }
    if (!(await this.inStep())) return undefined
    if (Object.keys(values).length === 0) return undefined
    const { temperature, ...electric } = values
    return {
      t: Math.round(answeredAt - this.began) / 1000,
      ...electric,
      ...(temperature === undefined ? {} : { temperatures: { probe: temperature } }),
    }
  }

  /** A number, or undefined where there is none; silence on one question does not end the others. */
  private async askOne(key: Key, question: string): Promise<number | undefined> {
    const rest = this.resting.get(key) ?? 0
    if (rest > 0) {
      this.resting.set(key, rest - 1)
      return undefined
    }
    try {
      const value = parseScpiNumber(await this.line.ask(question))
      this.silences.delete(key)
      return value
    } catch (error) {
      if (!(error instanceof Unanswered)) throw error
      const silences = (this.silences.get(key) ?? 0) + 1
      this.silences.set(key, silences)
      if (silences >= SILENCES) this.resting.set(key, REST_CYCLES)
      // A late answer must not pass for the next one's.
      await this.line.drain()
      this.line.tookUnasked()
      return undefined
    }
  }

  private async inStep(): Promise<boolean> {
    const answer = await this.line.ask(IDENTITY).catch((error: Error) => {
      if (error instanceof Unanswered) return ''
      throw error
    })
    const fits = !this.line.tookUnasked() && answer === this.identity
    this.misfits = fits ? 0 : this.misfits + 1
    if (fits) return true
    if (this.misfits >= MISFITS) throw new Error('Its answers do not fit the questions.')
    await this.line.drain()
    return false
  }
}

/** Asks an instrument who it is: its own words, or the reason why it cannot be heard. */
export async function identify(host: string, port: number): Promise<string> {
  const line = await ScpiLine.open(host, port)
  try {
    await line.drain()
    const [maker, model] = (await line.ask(IDENTITY)).split(',')
    return [maker, model].filter(Boolean).join(' ').slice(0, 80)
  } finally {
    line.close()
  }
}

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
