import type { Instrument } from './instrument'
import { powerSupplies } from './powerSupply'
import { identify, scpiInstrument } from './scpiInstrument'
import { simulatedInstruments } from './simulated'

export interface InstrumentOptions {
  scpi: { host: string; port: number }[]
  powerSupply: string
  simulatedSpeed: number
}

/** Every instrument that can be heard from here. Those that speak for themselves are called by their own name. */
export function instrumentsFor(options: InstrumentOptions): () => Promise<Instrument[]> {
  const names = new Map<string, string>()
  const simulated = simulatedInstruments(options.simulatedSpeed, 1)
  return async () => {
    const scpi = await Promise.all(
      options.scpi.map(async ({ host, port }) => {
        const instrument = scpiInstrument(host, port)
        // The name is asked for once; while the instrument is away, its address must do.
        if (!names.has(instrument.id)) {
          const name = await identify(host, port).catch(() => '')
          if (name) names.set(instrument.id, `${name} (${host}:${port})`)
        }
        return { ...instrument, name: names.get(instrument.id) ?? instrument.name }
      }),
    )
    return [...scpi, ...(await powerSupplies(options.powerSupply)), ...simulated]
  }
}
