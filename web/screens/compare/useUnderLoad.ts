import { computed, type ComputedRef } from 'vue'
import type { Quantity } from '@core/compare/quantities'
import { loadQuantities, scoreVerdict } from '@core/compare/underLoad'
import { OWN_READINGS } from '@core/compare/repeats'
import type { Repeatability } from '@core/compare/verdict'
import { scoreSentence } from '@core/words/sentences/loadWords'
import type { UseVerdictReturn } from './useVerdict'

export interface UseUnderLoadReturn {
  /** Of each load and benchmark that was noted. */
  quantities: ComputedRef<Quantity[]>
  /** What the benchmarks of the set-ups say, each in a sentence. */
  sentences: ComputedRef<string[]>
  /** How well the figure of a line repeats: a benchmark's is another thing than a charge's. */
  priorOf: (quantity: Quantity) => Repeatability
}

/** What set-ups do under load: where the watts go, and what benchmarks say of it. */
export function useUnderLoad({
  setups,
  names,
  repeatability,
  scoreRepeatability,
}: Pick<UseVerdictReturn, 'setups' | 'names' | 'repeatability' | 'scoreRepeatability'>): UseUnderLoadReturn {
  const sides = computed(() => setups.value.map((s) => s.sides))
  const quantities = computed(() => loadQuantities(sides.value.flat()))
  const sentences = computed(() =>
    quantities.value.flatMap((quantity) => {
      if (quantity.kind !== 'score') return []
      const told = scoreVerdict(sides.value, quantity, scoreRepeatability.value)
      return told ? scoreSentence(quantity.label, told, names.value) : []
    }),
  )
  const ofCharges = computed(() => (setups.value.length === 1 ? OWN_READINGS : repeatability.value))
  const priorOf = ({ kind }: Quantity) => (kind === 'score' ? scoreRepeatability.value : ofCharges.value)
  return { quantities, sentences, priorOf }
}
