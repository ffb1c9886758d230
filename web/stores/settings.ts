import { usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { loadSettings, saveSettings, type StoredSettings } from '../storage/settings'

export const useSettings = defineStore('settings', () => {
  const theme = ref<StoredSettings['theme']>('auto')
  const sound = ref(true)
  const prefersDark = usePreferredDark()
  const themeName = computed(() =>
    theme.value === 'auto' ? (prefersDark.value ? 'night' : 'paper') : theme.value,
  )

  async function load() {
    const stored = await loadSettings()
    if (stored) {
      theme.value = stored.theme
      sound.value = stored.sound
    }
    watch([theme, sound], () => void saveSettings({ theme: theme.value, sound: sound.value }))
  }
  return { theme, sound, themeName, load }
})
