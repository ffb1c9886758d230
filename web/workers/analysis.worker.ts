import { expose } from 'comlink'
import { analyse, type AnalyseOptions, type Analysis } from '@core/analysis/analyse'
import { join, type Joined } from '@core/analysis/joining/join'
import type { Trace } from '@core/trace/trace'

const work = {
  analyse: (trace: Trace, options: AnalyseOptions): Analysis => analyse(trace, options),
  /** @throws Error with the reason in words where the clocks of the two cannot be told. */
  join: (meter: Trace, device: Trace, offsetS?: number): Joined => join(meter, device, offsetS),
}

export type AnalysisWork = typeof work
expose(work)
