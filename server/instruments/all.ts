import type { Instrument } from './instrument'
import { powerSupplies } from './powerSupply'
import { identify, scpiInstrument } from './scpiInstrument'
import { simulatedInstruments } from './simulated'

export interface InstrumentOptions {
  scpi: { host: string; port: number }[]
  powerSupply: string
  simulatedSpeed: number
}

/** The list waits this long for names; an instrument that needs longer goes by its address until it has told, ms. */
const NAMES_WITHIN_MS = 500
/** Whoever did not say its name is asked again after this, ms. */
const ASK_AGAIN_MS = 10_000

/** Every instrument that can be heard from here. Those that speak for themselves are called by their own name. */
export function instrumentsFor(options: InstrumentOptions): () => Promise<Instrument[]> {
  const simulated = simulatedInstruments(options.simulatedSpeed, 1)
  const scpi = options.scpi.map(({ host, port }) => named(scpiInstrument(host, port), host, port))
  return async () => {
    const found = scpi.map((one) => one())
    await Promise.race([Promise.all(found.map((f) => f.asked)), wait(NAMES_WITHIN_MS)])
    return [...found.map((f) => f.instrument()), ...(await powerSupplies(options.powerSupply)), ...simulated]
  }
}

/** An instrument whose name is asked for in the background: one that does not answer holds up no other. */
function named(instrument: Instrument, host: string, port: number) {
  let name = ''
  let asked: Promise<unknown> = Promise.resolve()
  let askedAt = -Infinity
  return () => {
    if (!name && performance.now() - askedAt > ASK_AGAIN_MS) {
      askedAt = performance.now()
      asked = identify(host, port).then(
        (said) => void (name = said && `${said} (${host}:${port})`),
        () => undefined,
      )
    }
    return { asked, instrument: (): Instrument => ({ ...instrument, name: name || instrument.name }) }
  }
}

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
