import { createSharedComposable, useEventListener } from '@vueuse/core'
import { readonly, shallowRef, type DeepReadonly, type ShallowRef } from 'vue'

/** Whether the page is being printed: on paper, whatever paper the screen has. */
export const usePrinting = createSharedComposable((): DeepReadonly<ShallowRef<boolean>> => {
  const printing = shallowRef(false)
  useEventListener(window, 'beforeprint', () => void (printing.value = true))
  useEventListener(window, 'afterprint', () => void (printing.value = false))
  return readonly(printing)
})
