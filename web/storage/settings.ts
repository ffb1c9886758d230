import { metaDrawer } from './database'

const THEMES = ['auto', 'paper', 'night'] as const

export interface StoredSettings {
  theme: (typeof THEMES)[number]
  sound: boolean
}

export async function loadSettings(): Promise<StoredSettings | null> {
  const stored = await metaDrawer.getItem<Partial<StoredSettings>>('settings')
  if (typeof stored !== 'object' || stored === null) return null
  return { theme: THEMES.find((t) => t === stored.theme) ?? 'auto', sound: stored.sound !== false }
}
export const saveSettings = (settings: StoredSettings): Promise<unknown> =>
  metaDrawer.setItem('settings', { ...settings })
