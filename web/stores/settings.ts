import { usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { writeHours } from '@core/words/moments'
import { loadSettings, saveSettings, type StoredSettings } from '../storage/settings'

export const useSettings = defineStore('settings', () => {
  const theme = ref<StoredSettings['theme']>('auto')
  const sound = ref(true)
  const spoken = ref(false)
  const hours = ref<StoredSettings['hours']>('auto')
  const currency = ref('')
  const prefersDark = usePreferredDark()
  const themeName = computed(() =>
    theme.value === 'auto' ? (prefersDark.value ? 'night' : 'paper') : theme.value,
  )

  async function load() {
    const stored = await loadSettings()
    if (stored) {
      theme.value = stored.theme
      sound.value = stored.sound
      spoken.value = stored.spoken
      hours.value = stored.hours
      currency.value = stored.currency
      writeHours(stored.hours)
    }
    watch([theme, sound, spoken, hours, currency], () => {
      writeHours(hours.value)
      void saveSettings({
        theme: theme.value,
        sound: sound.value,
        spoken: spoken.value,
        hours: hours.value,
        currency: currency.value,
      })
    })
  }
  return { theme, sound, spoken, hours, currency, themeName, load }
})
