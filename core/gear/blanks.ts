import type { Cable, Port, Source } from './gear'
import { cableSchema, sourceSchema } from './schema'
import { parseOffers } from './offers'

/**
 * A source of which nothing is known but what is given.
 * @example blankSource({ id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20, ports: [portOf('9V2.22A')] })
 */
export const blankSource = (
  over: Pick<Source, 'id' | 'name' | 'kind' | 'ratedWatts'> & Partial<Source>,
): Source => ({
  ...(sourceSchema.getDefault() as unknown as Source),
  ...over,
})

/** A port by its offers as printed; "rated 20W" among them is its own rating. */
export function portOf(offers: string, name = 'C'): Port {
  const side = parseOffers(offers)
  return { name, ratedWatts: side.ratedWatts ?? null, offers: side.offers }
}

/** A cable of which nothing is known but what is given: 3 A, no marker. */
export const blankCable = (over: Pick<Cable, 'id' | 'name'> & Partial<Cable>): Cable => ({
  ...(cableSchema.getDefault() as unknown as Cable),
  maxAmps: 3,
  ...over,
})
