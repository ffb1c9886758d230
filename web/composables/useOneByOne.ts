import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/** Enough for any number of strips: after these, all are there. */
const MOST = 12

/**
 * How many of several heavy pieces may be drawn so far: one more each turn, so that none of them holds the page up for
 * the others.
 */
export function useOneByOne(): Ref<number> {
  const count = ref(0)
  let next: ReturnType<typeof setTimeout> | undefined
  const more = () => {
    count.value = count.value < MOST ? count.value + 1 : Infinity
    if (Number.isFinite(count.value)) next = setTimeout(more, 0)
  }
  onMounted(() => (next = setTimeout(more, 0)))
  onBeforeUnmount(() => clearTimeout(next))
  return count
}
