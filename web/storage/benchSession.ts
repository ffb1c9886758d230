import { readSession, readStrip, type Session } from '@core/bench/session'
import type { RiggedLane } from '@core/bench/strip'
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

/** Lanes rigged but not yet powered on. */
export const saveStrip = (strip: readonly RiggedLane[]): Promise<unknown> =>
  writing(() => metaDrawer.setItem('strip', strip))
export const loadStrip = async (): Promise<RiggedLane[]> => readStrip(await metaDrawer.getItem('strip'))

/** What must be put back after runs that are over. */
export const savePutBack = (texts: readonly string[]): Promise<unknown> =>
  writing(() => metaDrawer.setItem('put-back', [...texts]))
export async function loadPutBack(): Promise<string[]> {
  const texts = await metaDrawer.getItem('put-back')
  return Array.isArray(texts) ? texts.filter((t): t is string => typeof t === 'string') : []
}
