import { metaStore } from './stores'

export interface StoredSettings {
  theme: 'auto' | 'paper' | 'night'
  sound: boolean
}
export const loadSettings = (): Promise<StoredSettings | null> =>
  metaStore.getItem<StoredSettings>('settings')
export const saveSettings = (settings: StoredSettings): Promise<unknown> =>
  metaStore.setItem('settings', { ...settings })
