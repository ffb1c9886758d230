import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { EVENTS } from '@core/protocol/events'

type Keys = readonly (readonly [key: string, what: string])[]

const CHART: Keys = [
  ['← →', 'on a path: read off; with Shift, move along the clock'],
  ['+ −', 'look closer, or from further away'],
  ['0', 'the whole clock'],
  ['Escape', 'stop reading off'],
]
/** What the keys do on each screen, by the beginning of its address; the longest that fits counts. */
const BY_SCREEN: Record<string, Keys> = {
  '/bench': [
    ['0–9 . ,', 'type the reading of the lane that has its turn'],
    ['38 18.9', 'a whole entry in one line; a third number is the battery’s end'],
    ['Enter', 'next field; from the last one, note the reading'],
    ['Page Down / Page Up', 'next or previous lane'],
    ['Escape', 'empty the fields'],
    ['t', 'it just turned: one point more, or the level typed'],
    ['f', 'it just turned full'],
    ['u', 'take back the last reading of this lane'],
    ...EVENTS.map((e) => [e.key, e.text] as const),
  ],
  '/bench/spot': [['Enter', 'start the clock; note the count, keep it and go to the next source']],
  '/bench/survey': [['Enter', 'next field; from the last one, keep it and go to the next source']],
  '/sheet/': CHART,
  '/side-by-side': CHART,
  '/side-by-side/replay': [
    ['Space', 'play or pause'],
    ['← →', 'a minute back or on'],
    ['Home / End', 'to the beginning or the end'],
  ],
  '/write-up/': [['Alt + ↑ ↓', 'move the block up or down']],
  '/files': [
    ['Ctrl + V', 'bring in a table that was copied elsewhere'],
    ['← →', 'two ends on one clock: a second earlier or later; Shift tens, Alt tenths'],
    ['u', 'two ends on one clock: undo the last move'],
  ],
}
const EVERYWHERE: Keys = [
  ['Tab', 'next field or button'],
  ['?', 'this list'],
]

const open = ref(false)

/** The keys of the screen that is open, under `?`. */
export function useKeys() {
  const route = useRoute()
  const keys = computed<Keys>(() => {
    const [found] = Object.keys(BY_SCREEN)
      .filter((path) => route.path.startsWith(path))
      .sort((a, b) => b.length - a.length)
    return [...(found ? BY_SCREEN[found] : []), ...EVERYWHERE]
  })
  return { open, keys }
}

/** Opens the list with its key, wherever no words are typed. */
export function useKeysKey() {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.key !== '?' || event.ctrlKey || event.metaKey || event.altKey) return
    const target = event.target as HTMLElement
    // No figure has a question mark in it.
    const isText = target.matches('textarea, input:not([inputmode=decimal])')
    if (isText || document.querySelector('.v-overlay--active .v-card')) return
    event.preventDefault()
    open.value = true
  })
}
