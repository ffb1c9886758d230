import { useWakeLock } from '@vueuse/core'
import { onBeforeUnmount, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { heatDueAt, isDue } from '@core/bench/due'
import { spokenCall } from '@core/words/sentences/calls'
import { tooHot } from '@core/protocol/heat'
import { useBench } from '../stores/bench'
import type { Lane } from '../stores/lane'
import { useLogbook } from '../stores/logbook'
import { useSettings } from '../stores/settings'

const FLASH_MS = 1400
const MARK = /^\(\d+ due\) /
const HOT = [660, 520, 660]

/** On for a moment as something falls due. */
export const flashing = ref(false)

/**
 * Calls the reviewer as lanes fall due or grow hot, whichever screen is open: flash, count in the title, sound,
 * notification. Keeps the screen on while lanes run.
 */
export function useBenchCall() {
  const settings = useSettings()
  const bench = useBench()
  const logbook = useLogbook()
  const route = useRoute()
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Lanes by run: two that carry the same name are two. */
  const idsWhere = (holds: (lane: Lane) => boolean): string[] =>
    bench.watching ? [] : bench.lanes.filter((l) => l.count >= 0 && holds(l)).map((l) => l.setup.runId)
  const due = () => idsWhere((l) => isDue(l) || heatDueAt(l) !== null)
  const hot = () => idsWhere((l) => tooHot(l.state.lastTemperatures, l.setup.heat.stopLimitC) !== null)
  const nameOf = (runId: string): string => {
    const lane = bench.lanes.find((l) => l.setup.runId === runId)
    return lane ? logbook.nameOf(lane.setup) : ''
  }
  const mark = (count: number) => {
    const plain = document.title.replace(MARK, '')
    document.title = count ? `(${count} due) ${plain}` : plain
  }
  /** By its place on the bench: that is what stands large on it. */
  const speak = (ids: string[], what: Parameters<typeof spokenCall>[1]) => {
    const places = ids.map((id) => bench.lanes.findIndex((l) => l.setup.runId === id) + 1)
    if (settings.spoken) say(spokenCall(places, what))
  }
  function call(fresh: string[]) {
    clearTimeout(timer)
    flashing.value = true
    timer = setTimeout(() => (flashing.value = false), FLASH_MS)
    if (settings.sound) beep()
    speak(fresh, 'read')
    notify('A reading is due', fresh.map(nameOf))
  }
  watch(
    () => due().join(),
    (now, before = '') => {
      const ids = now.split(',').filter(Boolean)
      mark(ids.length)
      const fresh = ids.filter((id) => !before.split(',').includes(id))
      if (fresh.length) call(fresh)
    },
    { immediate: true },
  )
  watch(
    () => hot().join(),
    (now, before) => {
      const fresh = now.split(',').filter((id) => id && !before.split(',').includes(id))
      if (fresh.length === 0) return
      beep(HOT)
      speak(fresh, 'too hot')
      notify('Too hot: stop and let it cool', fresh.map(nameOf))
    },
  )
  // Another screen has another title; the count goes with it.
  watch(
    () => route.fullPath,
    () => mark(due().length),
    { flush: 'post' },
  )
  // The screen stays on while lanes run, where the browser allows it.
  const wake = useWakeLock()
  watch(
    () => bench.running,
    (on) => void (on ? wake.request('screen') : wake.release()).catch(() => undefined),
    { immediate: true },
  )
  onBeforeUnmount(() => clearTimeout(timer))
}

/** Only where the reviewer allowed it, and only while they look elsewhere. */
function notify(title: string, names: string[]) {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted' || !document.hidden) return
  try {
    new Notification(title, { body: names.join(', '), tag: 'inkpath-due' })
  } catch {
    // Some phones allow notifications from a service worker only; the sound and the title remain.
  }
}

export const canAskToNotify = (): boolean =>
  typeof Notification !== 'undefined' && Notification.permission === 'default'
export const askToNotify = (): Promise<unknown> => Notification.requestPermission().catch(() => 'denied')

/** Says it aloud; silent where the browser has no voice. Nothing depends on it. */
export function say(text: string) {
  if (typeof speechSynthesis === 'undefined') return
  speechSynthesis.speak(new SpeechSynthesisUtterance(text))
}

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
