import { computed, type ComputedRef } from 'vue'
import { mostEnergy } from '@core/compare/sizes'
import { sizeWords } from '@core/words/sentences/sizeWords'
import type { UseVerdictReturn } from './useVerdict'

/** That points are not energy, where batteries of different size are compared: at a quarter of an hour if that is asked. */
export function useSizes({ setups, names, repeatability, goal }: UseVerdictReturn): ComputedRef<string> {
  return computed(() => {
    const minutes = goal.value.key === 'fifteen' ? 15 : 30
    const sides = setups.value.map((s) => s.sides)
    return sizeWords(mostEnergy(sides, minutes, repeatability.value), names.value, minutes)
  })
}
