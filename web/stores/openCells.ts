import { openCells, type OpenCell, type RunPair } from '@core/plan/openCells'
import { useBench } from './bench'
import { useLogbook } from './logbook'

/** Planned runs that a run of a pair may fill, when it was made elsewhere than on the bench. */
export function useOpenCells(): (pair: RunPair) => OpenCell[] {
  const logbook = useLogbook()
  const bench = useBench()
  return (pair) => {
    const running = new Set(bench.lanes.flatMap((l) => l.setup.planned?.plannedId ?? []))
    return openCells(logbook.campaigns, logbook.runs, running, pair)
  }
}
