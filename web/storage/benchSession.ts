import { readSession, type Session } from '@core/bench/session'
import { metaDrawer, writing } from './database'

/** What the bench keeps beside the journals of its lanes. Everything is checked whenever it is read. */

export const loadSession = async (): Promise<Session> => readSession(await metaDrawer.getItem('bench'))
export const saveSession = (session: Session): Promise<unknown> =>
  writing(() => metaDrawer.setItem('bench', session))

/** Last moment at which the bench was known to be alive: tells a clock set back from time that passed. */
export const saveBeat = (wallMs: number): Promise<unknown> =>
  metaDrawer.setItem('bench-beat', wallMs).catch(() => undefined)
export async function loadBeat(): Promise<number | null> {
  const beat = await metaDrawer.getItem('bench-beat')
  return typeof beat === 'number' && Number.isFinite(beat) ? beat : null
}
