import { computed, ref, type ComputedRef, type Ref, type WritableComputedRef } from 'vue'
import { QUANTITIES, QUANTITY_GROUPS, type Quantity, type QuantityGroup } from '@core/compare/quantities'
import { figuresOf, resultsOf, type Result } from '@core/compare/results'
import type { Repeatability } from '@core/compare/verdict'
import type { SetUp } from './useVerdict'

export interface ResultsOf {
  setups: readonly SetUp[]
  names: readonly string[]
  /** Place of the set-up that others are set against. */
  baseline: number
  /** Figures under load, of loads and benchmarks that were noted. */
  underLoad: readonly Quantity[]
  priorOf: (quantity: Quantity) => Repeatability
}
export interface UseResultsReturn {
  /** As chosen, else the first of which there are figures. */
  group: WritableComputedRef<QuantityGroup>
  /** Those of which the set-ups have any figure. */
  groups: ComputedRef<QuantityGroup[]>
  columns: ComputedRef<{ quantity: Quantity; results: Result[] }[]>
  /** Times that the baseline has, and another beside it. */
  compared: ComputedRef<{ quantity: Quantity; results: Result[] }[]>
  /** Places of the set-ups, in the order of the table. */
  order: ComputedRef<number[]>
  sort: Ref<{ key: string; down: boolean } | null>
  sortBy: (key: string) => void
}

/** Every figure of every set-up, a group of them at a time, in the order that was asked for. */
export function useResults(of: ResultsOf): UseResultsReturn {
  const chosen = ref<QuantityGroup>()
  const sort = ref<{ key: string; down: boolean } | null>(null)
  const sides = computed(() => of.setups.map((s) => s.sides))
  const quantities = computed(() => [...QUANTITIES, ...of.underLoad])
  const isKnown = (q: Quantity) => sides.value.some((own) => figuresOf(own, q).values.length > 0)
  const groups = computed(() =>
    QUANTITY_GROUPS.filter((g) => quantities.value.some((q) => q.group === g && isKnown(q))),
  )
  const group = computed<QuantityGroup>({
    get: () =>
      chosen.value && groups.value.includes(chosen.value) ? chosen.value : (groups.value[0] ?? 'times'),
    set: (to) => (chosen.value = to),
  })
  const columns = computed(() =>
    quantities.value
      .filter((q) => q.group === group.value)
      .map((quantity) => ({
        quantity,
        results: resultsOf(sides.value, of.baseline, quantity, of.priorOf(quantity)),
      }))
      // A column in which nobody has a figure says nothing.
      .filter(({ results }) => results.some((r) => r.runs > 0)),
  )
  /** Against a baseline that has no figure nothing is saved. */
  const compared = computed(() =>
    group.value === 'times'
      ? columns.value.filter(({ results }) =>
          results.some((r) => r.verdict !== 'baseline' && Number.isFinite(r.against?.savedS)),
        )
      : [],
  )
  const order = computed(() => {
    const places = of.setups.map((_, i) => i)
    const by = columns.value.find(({ quantity }) => quantity.key === sort.value?.key)
    const value = (i: number) => by!.results[i].value
    if (!by) return places
    const known = places.filter((i) => !Number.isNaN(value(i)))
    const sign = sort.value?.down ? -1 : 1
    return [
      ...known.sort((a, b) => sign * (value(a) - value(b))),
      ...places.filter((i) => Number.isNaN(value(i))),
    ]
  })
  function sortBy(key: string) {
    const now = sort.value
    sort.value = now?.key !== key ? { key, down: false } : now.down ? null : { key, down: true }
  }
  return {
    group,
    groups,
    columns,
    compared,
    order,
    sort,
    sortBy,
  }
}
