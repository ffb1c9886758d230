import { HOUR_FORMS, type HourForm } from '@core/words/moments'
import { metaDrawer, writing } from './database'
import { holdingLock } from './writer'

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
const KEY = 'settings'
const LOCK = 'inkpath-log-settings'
const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(LOCK)
;(channel as { unref?: () => void } | undefined)?.unref?.()

/** What is stored, as far as it is known; the rest as it is where nobody preferred anything. */
export function readSettings(stored: unknown): StoredSettings {
  const known = (typeof stored === 'object' ? (stored ?? {}) : {}) as Partial<StoredSettings>
  return {
    theme: THEMES.find((t) => t === known.theme) ?? 'auto',
    sound: known.sound !== false,
    spoken: known.spoken === true,
    hours: HOUR_FORMS.find((h) => h === known.hours) ?? 'auto',
    decimals: DECIMALS.find((d) => d === known.decimals) ?? 'point',
    degrees: DEGREES.find((d) => d === known.degrees) ?? 'C',
    currency: typeof known.currency === 'string' ? known.currency.slice(0, LONGEST_CURRENCY) : '',
  }
}

const load = async (): Promise<StoredSettings> => readSettings(await metaDrawer.getItem(KEY))

/** What the reviewer prefers, kept in this browser and shared by its tabs. */
export const keptSettings = {
  load,
  /** Changes only what is named, in the settings as they stand, and gives back all of them. */
  change: (part: Partial<StoredSettings>): Promise<StoredSettings> =>
    holdingLock(async () => {
      const next = readSettings({ ...(await load()), ...part })
      await writing(() => metaDrawer.setItem(KEY, next))
      channel?.postMessage(KEY)
      return next
    }, LOCK),
  /** Another tab changed them. */
  onChanged: (listener: () => void): void => channel?.addEventListener('message', listener),
}
