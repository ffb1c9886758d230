import { openCells, type OpenCell, type RunPair } from '@core/plan/openCells'
import type { MadeRun } from '@core/plan/progress'
import { useBench } from './bench'
import { useLogbook } from './logbook'

/** Planned runs that a run of a pair may fill, when it was made elsewhere than on the bench. */
export function useOpenCells(): (pair: RunPair, runs?: readonly MadeRun[]) => OpenCell[] {
  const logbook = useLogbook()
  const bench = useBench()
  return (pair, runs = logbook.runs) => {
    const running = new Set(bench.lanes.flatMap((l) => l.setup.planned?.plannedId ?? []))
    return openCells(logbook.campaigns, runs, running, pair)
  }
}
