import { onBeforeUnmount, ref, watch, type Ref } from 'vue'
import { useSettings } from '../../stores/settings'

const FLASH_MS = 1400
const TITLE_MARK = '● '

/** Calls the reviewer when a reading falls due: a flash, a mark in the tab's title, and a short sound. */
export function useDueCall(due: Ref<boolean>, lane: Ref<string>) {
  const settings = useSettings()
  const flashing = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined

  const unmark = () => (document.title = document.title.replace(TITLE_MARK, ''))
  watch([due, lane], ([isDue]) => {
    clearTimeout(timer)
    flashing.value = isDue
    unmark()
    if (!isDue) return
    document.title = TITLE_MARK + document.title
    timer = setTimeout(() => (flashing.value = false), FLASH_MS)
    if (settings.sound) beep()
  })
  onBeforeUnmount(() => {
    clearTimeout(timer)
    unmark()
  })
  return { flashing }
}

/** Two short tones; silent where the browser has no sound or has not been touched yet. */
function beep() {
  try {
    const audio = new AudioContext()
    for (const [at, pitch] of [
      [0, 880],
      [0.18, 1175],
    ]) {
      const tone = audio.createOscillator()
      const volume = audio.createGain()
      tone.frequency.value = pitch
      volume.gain.setValueAtTime(0.18, audio.currentTime + at)
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.16)
      tone.connect(volume).connect(audio.destination)
      tone.start(audio.currentTime + at)
      tone.stop(audio.currentTime + at + 0.17)
    }
    setTimeout(() => void audio.close(), 1000)
  } catch {
    // No sound is no reason to stop a test: the flash and the title remain.
  }
}
