import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { Spell } from '@core/compare/fairness'
import type { Run } from '@core/logbook/run'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'

/** When each run charged, and from what: gone through once for all who ask, and anew when something of it changes. */
export const useSpells = defineStore('spells', () => {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const spellOf = ({ id, sourceId, startedAt, dated }: Run): Spell => ({
    id,
    sourceId,
    startedAt,
    dated,
    durationS: analyses.headline(id)?.durationS ?? NaN,
  })
  const all = computed(() => logbook.runs.map(spellOf))
  return { spellOf, all }
})
