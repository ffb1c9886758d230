import { useEventListener } from '@vueuse/core'
import { EVENTS, type EventKind } from '@core/protocol/events'

interface BenchKeys {
  undo(): void
  /** The display just turned: to the next level, or to full. */
  turned(full: boolean): void
  clear(): void
  step(by: 1 | -1): void
  /** A figure is typed while the cursor is nowhere: it belongs into the entry. */
  toEntry(): void
  event(kind: EventKind): void
}

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
    if (/^[\d.,]$/.test(event.key) && document.activeElement?.tagName !== 'INPUT') return on.toEntry()
    const act = actionFor(event.key, on)
    if (!act) return
    event.preventDefault()
    act()
  })
}

function actionFor(key: string, on: BenchKeys): (() => void) | undefined {
  if (key === 'Escape') return on.clear
  if (key === 'PageDown') return () => on.step(1)
  if (key === 'PageUp') return () => on.step(-1)
  if (key === 'u') return on.undo
  if (key === 't' || key === 'f') return () => on.turned(key === 'f')
  const kind = EVENTS.find((e) => e.key === key)
  return kind && (() => on.event(kind))
}
