import { onBeforeUnmount, ref, watch } from 'vue'
import { useSettings } from '../../stores/settings'

const FLASH_MS = 1400
const MARK = /^\(\d+ due\) /

/** Calls the reviewer as lanes fall due: a flash, a count in the tab's title, a sound, and a notification. */
export function useDueCall(dueNames: () => string[]) {
  const settings = useSettings()
  const flashing = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined

  const mark = (count: number) => {
    const plain = document.title.replace(MARK, '')
    document.title = count ? `(${count} due) ${plain}` : plain
  }
  watch(
    () => dueNames().join('\n'),
    (now, before = '') => {
      const names = now.split('\n').filter(Boolean)
      mark(names.length)
      const fresh = names.filter((n) => !before.split('\n').includes(n))
      if (fresh.length === 0) return
      clearTimeout(timer)
      flashing.value = true
      timer = setTimeout(() => (flashing.value = false), FLASH_MS)
      if (settings.sound) beep()
      notify(fresh)
    },
    { immediate: true },
  )
  onBeforeUnmount(() => {
    clearTimeout(timer)
    mark(0)
  })
  return { flashing }
}

/** Only where the reviewer allowed it, and only while they look elsewhere. */
function notify(names: string[]) {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted' || !document.hidden) return
  try {
    new Notification('A reading is due', { body: names.join(', '), tag: 'inkpath-due' })
  } catch {
    // Some phones allow notifications from a service worker only; the sound and the title remain.
  }
}

export const canAskToNotify = (): boolean =>
  typeof Notification !== 'undefined' && Notification.permission === 'default'
export const askToNotify = (): Promise<unknown> => Notification.requestPermission().catch(() => 'denied')

/** Two short tones; silent where the browser has no sound or has not been touched yet. */
export function beep(pitches: readonly number[] = [880, 1175]) {
  try {
    const audio = new AudioContext()
    pitches.forEach((pitch, i) => {
      const at = i * 0.18
      const tone = audio.createOscillator()
      const volume = audio.createGain()
      tone.frequency.value = pitch
      volume.gain.setValueAtTime(0.18, audio.currentTime + at)
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.16)
      tone.connect(volume).connect(audio.destination)
      tone.start(audio.currentTime + at)
      tone.stop(audio.currentTime + at + 0.17)
    })
    setTimeout(() => void audio.close(), 1500)
  } catch {
    // No sound is no reason to stop a test: the flash and the title remain.
  }
}
