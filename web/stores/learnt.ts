import { defineStore } from 'pinia'
import { computed } from 'vue'
import { learntRepeatability } from '@core/compare/learnt'
import type { Repeatability } from '@core/compare/verdict'
import { timeTo } from '@core/analysis/headline'
import { isSound, type Run } from '@core/logbook/run'
import { setUpsOf } from '@core/logbook/setUps'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'
import { useSpells } from './spells'
import { useTelling } from './telling'

const NONE: ReadonlySet<string> = new Set()

/**
 * How well runs repeat, learnt from the logbook's own repeats, by the kind of a device and a source. A run with something
 * to mind may be another thing than a repeat, and counts for nothing here.
 */
export const useLearnt = defineStore('learnt', () => {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const told = useTelling()
  const spells = useSpells()
  const kindOf = ({ deviceId, sourceId }: Pick<Run, 'deviceId' | 'sourceId'>) =>
    `${logbook.device(deviceId)?.kind} ${logbook.source(sourceId)?.kind}`
  function isUnsuspicious(id: string): boolean {
    const found = analyses.headline(id)?.findings
    return found !== undefined && found.warning + found.blocking === 0
  }
  /** Gone through once for all who ask, and anew when something of it changes: there may be hundreds. */
  const telling = computed(() => {
    const runs = told.runs.filter((r) => isSound(r) && isUnsuspicious(r.id))
    const setUps = setUpsOf(runs, spells.besideOf)
    return runs.map((r) => ({
      id: r.id,
      setUp: `${setUps.get(r.id)!.key} ${r.startPercent}`,
      kind: kindOf(r),
      value: timeTo(analyses.headline(r.id), 100),
    }))
  })

  /** For a device with a source; `except` names runs that tell it themselves and must not do so twice. */
  function repeatabilityFor(
    pair: Pick<Run, 'deviceId' | 'sourceId'> | undefined,
    except: ReadonlySet<string> = NONE,
  ): Repeatability {
    const runs = telling.value.filter(({ id }) => !except.has(id))
    return learntRepeatability(runs, pair ? kindOf(pair) : '')
  }
  return { repeatabilityFor }
})
