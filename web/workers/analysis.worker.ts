import { expose } from 'comlink'
import { analyse, type AnalyseOptions, type Analysis } from '@core/analysis/analyse'
import { join, type Joined } from '@core/analysis/joining/join'
import type { Trace } from '@core/trace/trace'
import { traceParts } from './traceParts'

const parts = traceParts()

const work = {
  part: parts.part,
  analyse: (trace: Trace | string, options: AnalyseOptions): Analysis => analyse(parts.whole(trace), options),
  /** @throws Error with the reason in words where the clocks of the two cannot be told. */
  join: (meter: Trace | string, device: Trace | string, offsetS?: number): Joined =>
    join(parts.whole(meter), parts.whole(device), offsetS),
}

export type AnalysisWork = typeof work
expose(work)
