import { wrap, type Remote } from 'comlink'
import type { AnalysisWork } from './analysis.worker'

let remote: Remote<AnalysisWork> | undefined

/** The one worker that works out traces. */
export function analysisWork(): Remote<AnalysisWork> {
  remote ??= wrap<AnalysisWork>(
    new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' }),
  )
  return remote
}
