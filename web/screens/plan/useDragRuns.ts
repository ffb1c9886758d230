import Sortable from 'sortablejs'
import { onBeforeUnmount, watch, type Ref } from 'vue'

/** Lets runs be dragged between lists marked with `data-window`; says which run was dropped where. */
export function useDragRuns(
  root: Ref<HTMLElement | null>,
  changed: () => unknown,
  dropped: (plannedId: string, fromMs: number) => void,
) {
  let lists: Sortable[] = []
  const clear = () => {
    lists.forEach((l) => l.destroy())
    lists = []
  }

  function attach() {
    clear()
    for (const element of root.value?.querySelectorAll<HTMLElement>('[data-window]') ?? [])
      lists.push(
        Sortable.create(element, {
          group: 'runs',
          handle: '.grip',
          draggable: '[data-run]',
          animation: 120,
          // The browser's own dragging knows no touch; the library's does.
          forceFallback: true,
          fallbackOnBody: true,
          onEnd: ({ item, from, to, oldIndex, newIndex }) => {
            const before = to.querySelectorAll<HTMLElement>('[data-run]')[(newIndex ?? 0) - 1]
            const fromMs = Number(before?.dataset.ends ?? to.dataset.window)
            // The list is drawn from the plan alone: the item goes back, and moves only if the plan lets it.
            from.insertBefore(item, from.querySelectorAll('[data-run]')[oldIndex ?? 0] ?? null)
            if (from !== to || oldIndex !== newIndex) dropped(item.dataset.run!, fromMs)
          },
        }),
      )
  }
  watch([root, changed], attach, { flush: 'post', immediate: true })
  onBeforeUnmount(clear)
}
