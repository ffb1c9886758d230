import { computed, ref, watch, type ComputedRef, type WritableComputedRef } from 'vue'
import { decimal } from '@core/trace/decimal'
import { asRead, keptValue, writtenUnit } from '@core/words/figures'

type Typed = string | number | null | undefined

export interface UseWrittenDegreesReturn {
  value: WritableComputedRef<Typed>
  suffix: ComputedRef<string | undefined>
}

/** So many decimals of a kept °C bring back what was typed in °F. */
const KEPT_DIGITS = 6
const SHOWN_DIGITS = 3

/**
 * A field whose value is kept in °C, as it is typed in the unit that the reader prefers. Any other field as it is. What is
 * no number is handed on as it was typed, for its schema to refuse.
 */
export function useWrittenDegrees(
  kept: WritableComputedRef<Typed>,
  suffix: () => string | undefined,
): UseWrittenDegreesReturn {
  const unit = () => suffix() ?? ''
  const isConverted = () => unit() !== writtenUnit(unit())
  const shownOf = (value: Typed): Typed => {
    const celsius = decimal(String(value ?? ''))
    return Number.isNaN(celsius) ? value : asRead(celsius, SHOWN_DIGITS, unit()).split('\u00A0')[0]
  }
  /** What stands in the field while it is typed in: it is not taken away to be written another way. */
  const typed = ref<Typed>(isConverted() ? shownOf(kept.value) : undefined)
  let given: Typed = kept.value
  watch(kept, (now) => {
    if (now !== given && isConverted()) typed.value = shownOf(now)
    given = now
  })
  return {
    value: computed({
      get: () => (isConverted() ? typed.value : kept.value),
      set: (text) => {
        if (!isConverted()) {
          kept.value = text
          return
        }
        typed.value = text
        const value = decimal(String(text ?? ''))
        given = Number.isNaN(value) ? text : String(Number(keptValue(value, unit()).toFixed(KEPT_DIGITS)))
        kept.value = given
      },
    }),
    suffix: computed(() => (suffix() === undefined ? undefined : writtenUnit(unit()))),
  }
}
