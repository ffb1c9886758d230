import { computed, type ComputedRef } from 'vue'
import { timeTo } from '@core/analysis/headline'
import { isSound, RUN_STATE_WORDS, type Run } from '@core/logbook/run'
import { duration, figure } from '@core/words/figures'
import { fullDay, ofRun } from '@core/words/moments'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'
import type { RunFilter } from '../../stores/runListView'

/** A row of the list of runs: plain values, so that a list computes nothing as it scrolls. */
export interface RunRow {
  id: string
  run: Run
  name: string
  startedAt: string
  day: string
  device: string
  source: string
  campaign: string
  state: string
  levels: string
  /** Percent, s, W, Wh; NaN where it is not known. */
  start: number
  full: number
  heldPeakW: number
  energyWh: number
  warnings: number
  /** The second line where there is room for two. */
  line: string
}

const PASSES: Record<RunFilter, (row: RunRow) => boolean> = {
  all: () => true,
  sound: ({ run }) => isSound(run),
  minded: ({ warnings }) => warnings > 0,
  out: ({ run }) => !isSound(run),
}

/** The rows that pass a filter, in the logbook's order. */
export function useRunRows(filter: () => RunFilter): ComputedRef<RunRow[]> {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const rowOf = (run: Run): RunRow => {
    const headline = analyses.headline(run.id)
    const full = timeTo(headline, 100)
    const levels = headline
      ? `${figure(headline.startPercent, 0)}–${figure(headline.endPercent, 0, '%')}`
      : '…'
    const warnings = (headline?.findings.warning ?? 0) + (headline?.findings.blocking ?? 0)
    const day = ofRun(fullDay)(run)
    const state = RUN_STATE_WORDS[run.state]
    return {
      id: run.id,
      run,
      name: logbook.nameOf(run),
      startedAt: run.startedAt,
      day,
      device: logbook.device(run.deviceId)?.name ?? '',
      source: logbook.source(run.sourceId)?.name ?? '',
      campaign: logbook.campaign(run.planned?.campaignId ?? null)?.name ?? 'no campaign',
      state,
      levels,
      start: headline?.startPercent ?? NaN,
      full,
      heldPeakW: headline?.heldPeakW ?? NaN,
      energyWh: headline?.energyWh ?? NaN,
      warnings,
      line: [
        day,
        levels,
        Number.isNaN(full) ? '' : `full ${duration(full)}`,
        warnings ? `${warnings} to mind` : '',
        run.state === 'done' ? '' : state,
      ]
        .filter(Boolean)
        .join(' · '),
    }
  }
  return computed(() => logbook.runs.map(rowOf).filter(PASSES[filter()]))
}
