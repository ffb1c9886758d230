import { computed, ref, type ComputedRef, type Ref } from 'vue'
import type { Charge } from '@core/analysis/charges'
import { clock } from '@core/words/figures'
import type { OpenedTrace } from '../../stores/openingFiles'

export interface UseChargesReturn {
  charges: ComputedRef<readonly Charge[]>
  /** Each charge that was not taken yet, and all of the record as one run. */
  choices: ComputedRef<{ value: number; title: string }[]>
  /** Which becomes a run, from 0; {@link WHOLE} for all of it. */
  chosen: Ref<number>
  /** It, where one is chosen. */
  charge: ComputedRef<Charge | null>
  /** Whether others wait once it is taken. */
  isLast: ComputedRef<boolean>
}
const WHOLE = -1

/** Which charge becomes a run, of a record that holds several: the first that is left, where there surely are several. */
export function useCharges(of: () => Pick<OpenedTrace, 'result' | 'taken'>): UseChargesReturn {
  const charges = computed(() => of().result?.preview.charges ?? [])
  const taken = computed(() => of().taken ?? [])
  const left = computed(() =>
    charges.value.flatMap((_, i) => (taken.value.some(({ charge }) => charge === i) ? [] : [i])),
  )
  const chosenBy = ref<number>()
  const likeliest = computed(() => {
    const areSure = charges.value.every(({ isSure }) => isSure)
    return areSure || taken.value.length > 0 ? (left.value[0] ?? WHOLE) : WHOLE
  })
  const title = (i: number) => {
    const { fromS, toS } = charges.value[i]
    return `charge ${i + 1}, ${clock(fromS)} ${toS < Infinity ? `to ${clock(toS)}` : 'to the end'}`
  }
  const chosen = computed({
    get: () => chosenBy.value ?? likeliest.value,
    set: (to) => (chosenBy.value = to),
  })
  return {
    charges,
    choices: computed(() => [
      ...left.value.map((i) => ({ value: i, title: title(i) })),
      ...(taken.value.length === 0 ? [{ value: WHOLE, title: 'all of it as one run' }] : []),
    ]),
    chosen,
    charge: computed(() => charges.value[chosen.value] ?? null),
    isLast: computed(() => chosen.value === WHOLE || left.value.length <= 1),
  }
}
