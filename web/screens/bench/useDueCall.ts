import { onBeforeUnmount, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useBench } from '../../stores/bench'
import { heatDueOf, isDue } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'
import { useSettings } from '../../stores/settings'

const FLASH_MS = 1400
const MARK = /^\(\d+ due\) /

/** On for a moment as something falls due. */
export const flashing = ref(false)

/** Calls the reviewer as lanes fall due, whichever screen is open: flash, count in the title, sound, notification. */
export function useDueCall() {
  const settings = useSettings()
  const bench = useBench()
  const logbook = useLogbook()
  const route = useRoute()
  let timer: ReturnType<typeof setTimeout> | undefined

  const names = () =>
    bench.watching
      ? []
      : bench.lanes.filter((l) => isDue(l) || heatDueOf(l) !== null).map((l) => logbook.nameOf(l.setup))
  const mark = (count: number) => {
    const plain = document.title.replace(MARK, '')
    document.title = count ? `(${count} due) ${plain}` : plain
  }
  function call(fresh: string[]) {
    clearTimeout(timer)
    flashing.value = true
    timer = setTimeout(() => (flashing.value = false), FLASH_MS)
    if (settings.sound) beep()
    notify(fresh)
  }
  watch(
    () => names().join('\n'),
    (now, before = '') => {
      const due = now.split('\n').filter(Boolean)
      mark(due.length)
      const fresh = due.filter((n) => !before.split('\n').includes(n))
      if (fresh.length) call(fresh)
    },
    { immediate: true },
  )
  // Another screen has another title; the count goes with it.
  watch(
    () => route.fullPath,
    () => mark(names().length),
    { flush: 'post' },
  )
  onBeforeUnmount(() => clearTimeout(timer))
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
