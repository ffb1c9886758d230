import { onBeforeUnmount, onMounted } from 'vue'

const AGAIN_MS = 50
const MOST_TRIES = 20

/**
 * Puts the cursor into a field as its form opens. A dialog cannot take it before it is in sight, so it is tried again for a
 * second; but never once another field of the form has the cursor: whoever went on there would type into this one.
 * @param field the input itself; undefined before it is there
 */
export function useFirstFocus(wanted: () => boolean, field: () => HTMLInputElement | undefined): void {
  let timer: ReturnType<typeof setTimeout> | undefined
  let tries = 0
  function attempt() {
    const own = field()
    const active = document.activeElement
    const isElsewhere =
      (active instanceof HTMLInputElement || active instanceof HTMLTextAreaElement) &&
      active.form !== null &&
      active.form === own?.form
    if (isElsewhere) return
    own?.focus()
    if (document.activeElement !== own && ++tries < MOST_TRIES) timer = setTimeout(attempt, AGAIN_MS)
  }
  onMounted(() => {
    if (wanted()) attempt()
  })
  onBeforeUnmount(() => clearTimeout(timer))
}
