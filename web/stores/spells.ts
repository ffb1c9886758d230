import { defineStore } from 'pinia'
import { computed } from 'vue'
import { besideWords, fedBeside } from '@core/compare/spells'
import { isUnderLoad, type Run } from '@core/logbook/run'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'

/** With how many others its source fed each run: gone through once for all who ask, and anew when something of it changes. */
export const useSpells = defineStore('spells', () => {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const others = computed(() =>
    fedBeside(
      logbook.runs.map(
        ({ id, deviceId, sourceId, conditions: { fedFromId, unitLabel }, startedAt, dated }) => ({
          id,
          charged: `${deviceId} ${unitLabel}`,
          sourceId,
          fedFromId,
          startedAt,
          dated,
          durationS: analyses.headline(id)?.durationS ?? NaN,
        }),
      ),
      (sourceId) => logbook.source(sourceId)?.ports.length ?? 0,
    ),
  )
  /** NaN where it is not known. */
  const fedBesideOf = (runId: string): number => others.value.get(runId) ?? NaN
  const besideOf = (runId: string): string => besideWords(fedBesideOf(runId))
  /** Neither under load, nor from a source that fed another meanwhile: a forecast speaks of such a run alone. */
  const isByItself = (run: Run): boolean => !isUnderLoad(run) && !(fedBesideOf(run.id) > 0)
  return { fedBesideOf, besideOf, isByItself }
})
