import type { Anchor, Sight } from '@core/bench/clock'

/** No reading waits longer than this for the server's clock, ms. */
const ANSWER_WITHIN_MS = 1500

async function serverClock(): Promise<Pick<Anchor, 'uptimeS' | 'bootId'>> {
  try {
    const response = await fetch('/api/clock', {
      cache: 'no-store',
      signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
    })
    const { uptimeS, bootId } = (await response.json()) as { uptimeS: unknown; bootId: unknown }
    if (!response.ok || typeof uptimeS !== 'number') return { uptimeS: null, bootId: null }
    return { uptimeS, bootId: typeof bootId === 'string' ? bootId : null }
  } catch {
    return { uptimeS: null, bootId: null }
  }
}

/** All of the machine's clocks at this moment, as far as they can be told. */
export async function lookNow(): Promise<Sight> {
  const server = await serverClock()
  return { wallMs: Date.now(), pageMs: performance.now(), ...server }
}
