import type { SurveyReading } from '@core/bench/survey'
import { metaDrawer, writing } from './database'

/** A survey's source that is plugged in and not kept yet. */
export interface SurveyInHand {
  deviceId: string
  sourceId: string
  cableId: string | null
  /** By the wall clock, ms since 1970. */
  pluggedAtMs: number
  readings: readonly SurveyReading[]
}

const isNumber = (n: unknown): n is number => typeof n === 'number'
const isReading = (r: Partial<SurveyReading>): boolean =>
  isNumber(r.t) && isNumber(r.volts) && isNumber(r.amps) && isNumber(r.watts)

/** Null where nothing is in hand, or what is kept cannot be read. */
export async function loadSurvey(): Promise<SurveyInHand | null> {
  const kept = await metaDrawer.getItem<Partial<SurveyInHand> | null>('survey').catch(() => null)
  const holds =
    typeof kept?.deviceId === 'string' &&
    typeof kept.sourceId === 'string' &&
    isNumber(kept.pluggedAtMs) &&
    Array.isArray(kept.readings) &&
    kept.readings.every(isReading)
  return holds ? { ...(kept as SurveyInHand), cableId: kept.cableId ?? null } : null
}

export const saveSurvey = (inHand: SurveyInHand | null): Promise<unknown> =>
  writing(() =>
    metaDrawer.setItem('survey', inHand && { ...inHand, readings: inHand.readings.map((r) => ({ ...r })) }),
  )

/** The instrument that read the last survey; '' where hands did. */
export async function loadSurveyMeter(): Promise<string> {
  const kept = await metaDrawer.getItem<unknown>('survey-meter').catch(() => '')
  return typeof kept === 'string' ? kept : ''
}
export const saveSurveyMeter = (id: string): Promise<unknown> =>
  writing(() => metaDrawer.setItem('survey-meter', id))
