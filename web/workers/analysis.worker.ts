import { expose, transfer } from 'comlink'
import { analyse, type AnalyseOptions, type Analysis } from '@core/analysis/analyse'
import { chargesIn, surely, type Charge } from '@core/analysis/charges'
import { join, type Joined } from '@core/analysis/joining/join'
import { previewOf, type Preview } from '@core/analysis/preview'
import { appended } from '@core/trace/append'
import { columnsOf, type Trace } from '@core/trace/trace'
import { traceParts } from './traceParts'

const parts = traceParts()

const work = {
  part: parts.part,
  analyse: (trace: Trace | string, options: AnalyseOptions): Analysis => analyse(parts.whole(trace), options),
  /** Those that a finding tells of. */
  charges: (trace: Trace | string): Charge[] => surely(chargesIn(parts.whole(trace))),
  /** @throws Error with the reason in words where the clocks of the two cannot be told. */
  join: (meter: Trace | string, device: Trace | string, offsetS?: number): Joined =>
    join(parts.whole(meter), parts.whole(device), offsetS),
  /** A record and what came after it, and how both look. @throws RangeError where the second begins before the first ends */
  goOn(first: Trace | string, second: Trace | string, beginsS: number): { trace: Trace; path: Preview } {
    const trace = appended(parts.whole(first), parts.whole(second), beginsS)
    return transfer({ trace, path: previewOf(trace) }, columnsOf(trace).map(({ buffer }) => buffer)) // prettier-ignore
  },
}

export type AnalysisWork = typeof work
expose(work)
