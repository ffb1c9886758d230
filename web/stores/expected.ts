import { agreeAlong, chainTo, type ChainAgreement } from '@core/gear/chain'
import { useLogbook } from './logbook'

/** What is put together for a run, as far as it decides what flows. */
export interface PutTogether {
  deviceId: string
  sourceId: string
  cableId: string | null
  conditions: { fedFromId: string | null }
}

/** What to expect of things put together, along the chain; null where the shelf has not got them. */
export function useExpected(): (together: PutTogether) => ChainAgreement | null {
  const logbook = useLogbook()
  return ({ deviceId, sourceId, cableId, conditions }) => {
    const [device, source] = [logbook.device(deviceId), logbook.source(sourceId)]
    if (!device || !source) return null
    const chain = chainTo(source, logbook.sources, conditions.fedFromId)
    return agreeAlong(device, chain, logbook.cable(cableId) ?? null)
  }
}
