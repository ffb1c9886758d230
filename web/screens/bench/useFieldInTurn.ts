import { nextTick, onMounted, ref, watch, type ShallowRef, type WatchSource } from 'vue'

/** Which field of a form has its turn: the first at the start, and again whenever `anew` changes. */
export function useFieldInTurn(form: Readonly<ShallowRef<HTMLFormElement | null>>, anew: WatchSource) {
  const active = ref(0)
  const inputs = () => Array.from(form.value?.querySelectorAll<HTMLInputElement>('.values input') ?? [])
  function focusOn(index: number) {
    const field = inputs()[index]
    active.value = index
    field?.focus({ preventScroll: true })
    field?.select()
  }
  onMounted(() => focusOn(0))
  watch(anew, () => void nextTick(() => focusOn(0)))
  return { active, focusOn, count: () => inputs().length }
}
