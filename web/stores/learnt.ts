import { learntRepeatability } from '@core/compare/learnt'
import type { Repeatability } from '@core/compare/verdict'
import { timeTo } from '@core/analysis/headline'
import { isSound, setUpKey, type Run } from '@core/logbook/run'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'

const NONE: ReadonlySet<string> = new Set()

/** How well runs repeat, learnt from the logbook, by the kind of a device and a source. */
export type LearntFor = (
  pair: Pick<Run, 'deviceId' | 'sourceId'> | undefined,
  except?: ReadonlySet<string>,
) => Repeatability

/**
 * What the logbook's own repeats tell of how well runs repeat. `except` names runs that tell it themselves and must not
 * do so twice. A run with something to mind may be another thing than a repeat, and counts for nothing here.
 */
export function useLearnt(): LearntFor {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const kindOf = ({ deviceId, sourceId }: Pick<Run, 'deviceId' | 'sourceId'>) =>
    `${logbook.device(deviceId)?.kind} ${logbook.source(sourceId)?.kind}`
  function isUnsuspicious(id: string): boolean {
    const found = analyses.headline(id)?.findings
    return found !== undefined && found.warning + found.blocking === 0
  }
  return (pair, except = NONE) => {
    const runs = logbook.runs
      .filter((r) => isSound(r) && !except.has(r.id) && isUnsuspicious(r.id))
      .map((r) => ({
        setUp: `${setUpKey(r)} ${r.startPercent}`,
        kind: kindOf(r),
        value: timeTo(analyses.headline(r.id), 100),
      }))
    return learntRepeatability(runs, pair ? kindOf(pair) : '')
  }
}
