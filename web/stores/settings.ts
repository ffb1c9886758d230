import { usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { writeFigures } from '@core/words/figures'
import { writeHours } from '@core/words/moments'
import { loadSettings, saveSettings, type StoredSettings } from '../storage/settings'

export const useSettings = defineStore('settings', () => {
  const theme = ref<StoredSettings['theme']>('auto')
  const sound = ref(true)
  const spoken = ref(false)
  const hours = ref<StoredSettings['hours']>('auto')
  const decimals = ref<StoredSettings['decimals']>('point')
  const degrees = ref<StoredSettings['degrees']>('C')
  const currency = ref('')
  const prefersDark = usePreferredDark()
  const themeName = computed(() =>
    theme.value === 'auto' ? (prefersDark.value ? 'night' : 'paper') : theme.value,
  )

  function write() {
    writeHours(hours.value)
    writeFigures({ comma: decimals.value === 'comma', fahrenheit: degrees.value === 'F' })
  }

  async function load() {
    const stored = await loadSettings()
    if (stored) {
      theme.value = stored.theme
      sound.value = stored.sound
      spoken.value = stored.spoken
      hours.value = stored.hours
      decimals.value = stored.decimals
      degrees.value = stored.degrees
      currency.value = stored.currency
      write()
    }
    watch([theme, sound, spoken, hours, decimals, degrees, currency], () => {
      write()
      void saveSettings({
        theme: theme.value,
        sound: sound.value,
        spoken: spoken.value,
        hours: hours.value,
        decimals: decimals.value,
        degrees: degrees.value,
        currency: currency.value,
      })
    })
  }
  return { theme, sound, spoken, hours, decimals, degrees, currency, themeName, load }
})
