import { computed, ref, type ComputedRef, type Ref } from 'vue'
import type { Charge } from '@core/analysis/charges'
import { powerOnSchema } from '@core/formats/clockForm'
import type { Trace } from '@core/trace/trace'
import { checkTyped } from '../../forms/yupErrors'

export interface UsePowerOnReturn {
  /** How long the record idles before power-on, by its current, s. */
  idleS: ComputedRef<number>
  cutIdle: Ref<boolean>
  typed: Ref<string>
  error: ComputedRef<string>
  /** Where power-on stands in the record, s: typed, else by its current, else its zero. */
  fromS: ComputedRef<number>
}

/** Where power-on stands in a record that is brought in: a film's timecode, or the clock of a machine that was on. */
export function usePowerOn(
  record: () => { trace: Trace; preview: { idleS: number } } | null,
  /** The one that becomes a run, of a record that holds several. */
  charge: () => Charge | null,
): UsePowerOnReturn {
  const idleS = computed(() => (charge() ? 0 : (record()?.preview.idleS ?? 0)))
  const lastS = computed(() => Math.min(charge()?.toS ?? Infinity, record()?.trace.time.at(-1) ?? 0))
  const cutIdle = ref(true)
  const typed = ref('')
  const checked = computed(() => checkTyped(powerOnSchema(lastS.value), typed.value))
  const fromS = computed(() => {
    const own = 'value' in checked.value ? checked.value.value : undefined
    return own ?? charge()?.fromS ?? (cutIdle.value ? idleS.value : 0)
  })
  return { idleS, cutIdle, typed, error: computed(() => checked.value.error), fromS }
}
