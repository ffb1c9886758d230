import type { Instrument, Sample } from './instruments/instrument'

export interface HubListener {
  sample(sample: Sample): void
  failed(reason: string): void
}

/** An instrument that failed, or is not there, is tried again after this, ms. */
const AGAIN_AFTER_MS = 1000

/**
 * Asks each instrument once for all who listen to it, from the first listener to the last: an instrument that takes
 * one conversation at a time is never asked twice, and none is asked when nobody listens.
 */
export function instrumentHub(instruments: () => Promise<Instrument[]>) {
  const heard = new Map<string, Heard>()

  interface Heard {
    listeners: Set<HubListener>
    stop: () => void
    again?: ReturnType<typeof setTimeout>
  }

  async function begin(id: string, mine: Heard): Promise<void> {
    const instrument = (await instruments().catch(() => [])).find((i) => i.id === id)
    // Everybody may have left while it was looked for.
    if (mine.listeners.size === 0) return
    if (!instrument) return fail(id, mine, 'There is no such instrument.')
    mine.stop = instrument.stream(
      (sample) => mine.listeners.forEach((l) => l.sample(sample)),
      (reason) => fail(id, mine, reason),
    )
  }

  function fail(id: string, mine: Heard, reason: string): void {
    mine.stop()
    mine.stop = () => undefined
    mine.listeners.forEach((l) => l.failed(reason))
    clearTimeout(mine.again)
    if (mine.listeners.size > 0) mine.again = setTimeout(() => void begin(id, mine), AGAIN_AFTER_MS)
  }

  /** Listens until the answer is called. */
  function listen(id: string, listener: HubListener): () => void {
    let mine = heard.get(id)
    if (mine) mine.listeners.add(listener)
    else {
      mine = { listeners: new Set([listener]), stop: () => undefined }
      heard.set(id, mine)
      void begin(id, mine)
    }
    const here = mine
    return () => {
      here.listeners.delete(listener)
      if (here.listeners.size > 0) return
      clearTimeout(here.again)
      here.stop()
      if (heard.get(id) === here) heard.delete(id)
    }
  }

  return { listen, /** How many instruments are being asked. */ asked: () => heard.size }
}
export type InstrumentHub = ReturnType<typeof instrumentHub>
