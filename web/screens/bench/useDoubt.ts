import { countAtStart } from '@core/bench/count'
import { capacityOf } from '@core/gear/capacity'
import { suspicion, type Doubt } from '@core/protocol/suspicion'
import type { Reading } from '@core/trace/trace'
import { elapsedAt, type Lane } from '../../stores/lane'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'

/** What is odd about an entry on a lane, now; null where nothing is. Causes that were `settled` are not asked about again. */
export function useDoubt() {
  const logbook = useLogbook()
  const expectedOf = useExpected()
  return (lane: Lane, values: Omit<Reading, 't'>, settled?: ReadonlySet<Doubt['cause']>): Doubt | null => {
    const device = logbook.device(lane.setup.deviceId)
    const expected = expectedOf(lane.setup)
    const known = {
      last: lane.state.levels.last,
      lastWatts: lane.state.lastWatts,
      t: elapsedAt(lane, performance.now()),
      usableWh: device ? capacityOf(device).usableWh : NaN,
      expectedWatts: expected && expected.watts > 0 ? expected.meterWatts : NaN,
      countAtStartWh: values.counterWh === undefined ? 0 : countAtStart(lane.state),
    }
    return suspicion(values, known, settled)
  }
}
