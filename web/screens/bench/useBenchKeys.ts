import { useEventListener } from '@vueuse/core'
import { EVENTS, type EventKind } from '@core/protocol/events'

interface BenchKeys {
  undo(): void
  /** The display just turned: to the next level, or to full. */
  turned(full: boolean): void
  clear(): void
  step(by: 1 | -1): void
  keys(): void
  event(kind: EventKind): void
}

/** What the keys do; the list is shown under `?`. */
export const KEY_LIST: readonly [string, string][] = [
  ['0–9 . ,', 'type the reading of the lane that has its turn'],
  ['Enter', 'next field; from the last one, note the reading'],
  ['Page Down / Page Up', 'next or previous lane'],
  ['Escape', 'empty the fields'],
  ['t', 'it just turned: one point more, or the level typed'],
  ['f', 'it just turned full'],
  ['u', 'take back the last reading of this lane'],
  ...EVENTS.map((e): [string, string] => [e.key, e.text]),
  ['?', 'this list'],
]

/** Letters are keys while the cursor is in a number field or in none: no reading needs them. */
const isText = (target: EventTarget | null): boolean => {
  const element = target as HTMLInputElement | null
  const typing = element?.tagName === 'INPUT' || element?.tagName === 'TEXTAREA'
  return typing && element?.closest('.values') === null
}

export function useBenchKeys(on: BenchKeys) {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isText(event.target)) return
    if (document.querySelector('.v-overlay--active .v-card')) return
    const act = actionFor(event.key, on)
    if (!act) return
    event.preventDefault()
    act()
  })
}

function actionFor(key: string, on: BenchKeys): (() => void) | undefined {
  if (key === '?') return on.keys
  if (key === 'Escape') return on.clear
  if (key === 'PageDown') return () => on.step(1)
  if (key === 'PageUp') return () => on.step(-1)
  if (key === 'u') return on.undo
  if (key === 't' || key === 'f') return () => on.turned(key === 'f')
  const kind = EVENTS.find((e) => e.key === key)
  return kind && (() => on.event(kind))
}
