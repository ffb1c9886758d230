import { computed, type ComputedRef } from 'vue'
import { gainsOf, leadChanges } from '@core/compare/leads'
import { leadWords } from '@core/words/sentences/adviceWords'
import type { UseVerdictReturn } from './useVerdict'

/** Where a lead did not last, in words: judged as every difference between these set-ups is. */
export function useLeads({ setups, names, repeatability }: UseVerdictReturn): ComputedRef<string[]> {
  return computed(() => {
    const gains = gainsOf(setups.value.map((s) => s.sides.map(({ analysis }) => analysis)))
    return leadChanges(gains, repeatability.value).map((change) => leadWords(change, names.value))
  })
}
