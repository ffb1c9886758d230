import { usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, type WritableComputedRef } from 'vue'
import { writeFigures } from '@core/words/figures'
import { writeHours } from '@core/words/moments'
import { keptSettings, readSettings, type StoredSettings } from '../storage/settings'
import { useNotices } from './notices'

export const useSettings = defineStore('settings', () => {
  const now = shallowRef<StoredSettings>(readSettings(null))
  const notices = useNotices()
  /** Changes on their way into storage: until they are, the store is behind what is shown. */
  let underWay = 0

  function take(settings: StoredSettings) {
    now.value = settings
    writeHours(settings.hours)
    writeFigures({ comma: settings.decimals === 'comma', fahrenheit: settings.degrees === 'F' })
  }
  /** Shown at once, then stored, each by itself: another tab may have changed the others. */
  async function change(part: Partial<StoredSettings>) {
    take({ ...now.value, ...part })
    underWay++
    try {
      const stored = await keptSettings.change(part)
      if (underWay === 1) take(stored)
    } catch (error) {
      notices.fail(error)
    } finally {
      underWay--
    }
  }
  const one = <K extends keyof StoredSettings>(key: K): WritableComputedRef<StoredSettings[K]> =>
    computed({
      get: () => now.value[key],
      set: (value) => void change({ [key]: value }),
    })

  async function load() {
    const stored = await keptSettings.load()
    if (underWay === 0) take(stored)
  }
  keptSettings.onChanged(() => void load().catch(() => undefined))

  const theme = one('theme')
  const prefersDark = usePreferredDark()
  const themeName = computed(() =>
    theme.value === 'auto' ? (prefersDark.value ? 'night' : 'paper') : theme.value,
  )
  return {
    theme,
    sound: one('sound'),
    spoken: one('spoken'),
    hours: one('hours'),
    decimals: one('decimals'),
    degrees: one('degrees'),
    currency: one('currency'),
    themeName,
    load,
  }
})
