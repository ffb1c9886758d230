import { expose } from 'comlink'
import { analyse, type AnalyseOptions, type Analysis } from '@core/analysis/analyse'
import type { Trace } from '@core/trace/trace'

const work = {
  analyse: (trace: Trace, options: AnalyseOptions): Analysis => analyse(trace, options),
}

export type AnalysisWork = typeof work
expose(work)
