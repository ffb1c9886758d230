import Sortable from 'sortablejs'
import { onBeforeUnmount, watch, type Ref } from 'vue'

/** Lets the blocks of a list be dragged by their grip; says which one was moved, and by how many places. */
export function useDragBlocks(list: Ref<HTMLElement | null>, moved: (blockId: string, by: number) => void) {
  let sortable: Sortable | undefined
  watch(
    list,
    (element) => {
      sortable?.destroy()
      sortable = undefined
      if (!element) return
      sortable = Sortable.create(element, {
        handle: '.grip',
        animation: 120,
        // The browser's own dragging knows no touch; the library's does.
        forceFallback: true,
        onEnd: ({ item, from, oldIndex = 0, newIndex = 0 }) => {
          // The list is drawn from the write-up alone: the block goes back, and moves as that says.
          from.insertBefore(item, from.children[oldIndex + (oldIndex > newIndex ? 1 : 0)] ?? null)
          if (newIndex !== oldIndex) moved(item.dataset.block ?? '', newIndex - oldIndex)
        },
      })
    },
    { flush: 'post', immediate: true },
  )
  onBeforeUnmount(() => sortable?.destroy())
}
