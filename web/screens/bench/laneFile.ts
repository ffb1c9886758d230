import { traceOf } from '@core/bench/finish'
import { writeTraceCsv } from '@core/formats/traceCsvOut'
import { download } from '../../composables/download'
import type { Lane } from '../../stores/lane'

/** Takes a lane's readings out as a file: the way out when the browser refuses to store. */
export function takeLaneFile(lane: Lane): void {
  const trace = traceOf(lane)
  const csv = trace ? writeTraceCsv(trace) : 'time_s\r\n'
  download(`lane-${lane.setup.runId.slice(0, 8)}.csv`, csv, 'text/csv')
}
