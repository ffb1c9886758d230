import { HOUR_FORMS, type HourForm } from '@core/words/moments'
import { metaDrawer } from './database'

const THEMES = ['auto', 'paper', 'night'] as const
export const DECIMALS = ['point', 'comma'] as const
export const DEGREES = ['C', 'F'] as const

export interface StoredSettings {
  theme: (typeof THEMES)[number]
  sound: boolean
  /** Calls are spoken, by lane. */
  spoken: boolean
  hours: HourForm
  /** What parts decimals, where figures are written. */
  decimals: (typeof DECIMALS)[number]
  degrees: (typeof DEGREES)[number]
  /** What prices are in: a sign or a word of the reviewer's own; '' for none. */
  currency: string
}
const LONGEST_CURRENCY = 12

export async function loadSettings(): Promise<StoredSettings | null> {
  const stored = await metaDrawer.getItem<Partial<StoredSettings>>('settings')
  if (typeof stored !== 'object' || stored === null) return null
  return {
    theme: THEMES.find((t) => t === stored.theme) ?? 'auto',
    sound: stored.sound !== false,
    spoken: stored.spoken === true,
    hours: HOUR_FORMS.find((h) => h === stored.hours) ?? 'auto',
    decimals: DECIMALS.find((d) => d === stored.decimals) ?? 'point',
    degrees: DEGREES.find((d) => d === stored.degrees) ?? 'C',
    currency: typeof stored.currency === 'string' ? stored.currency.slice(0, LONGEST_CURRENCY) : '',
  }
}
export const saveSettings = (settings: StoredSettings): Promise<unknown> =>
  metaDrawer.setItem('settings', { ...settings })
