import { simulatedBench, type SimulatedBench } from '@core/model/instruments'
import { setupFor } from '@core/model/setup'
import { closingInMoment } from '@core/protocol/schedule'
import { stopReached } from '@core/protocol/stopping'
import { alignByCurrent } from '@core/trace/clocks'
import { elapsedAt, record, speedOf, type Lane, type LaneSetup } from './lane'
import { listenTo, listenToOwnBattery, type FeedHandlers } from './feeds'
import type { useLogbook } from './logbook'

/** No simulated charge is followed for longer than this after time away, s. */
export const SIMULATION_LIMIT_S = 72 * 3600
/** The stop rule and the streams' clocks are looked at this often, ms: more helps nobody. */
const LOOK_EVERY_MS = 1000
const looked = new WeakMap<Lane, number>()
type Raise = (error: unknown) => void

export function simulationFor(
  setup: LaneSetup,
  logbook: ReturnType<typeof useLogbook>,
): SimulatedBench | undefined {
  if (setup.feed.kind !== 'simulated') return undefined
  const device = logbook.device(setup.deviceId)
  const source = logbook.source(setup.sourceId)
  if (!device || !source) return undefined
  const options = { startPercent: setup.startPercent, cable: logbook.cable(setup.cableId) ?? null }
  return simulatedBench(setupFor(device, source, options), setup.feed.seed)
}

export function readSimulation(lane: Lane, raise: Raise) {
  if (!lane.simulated || lane.elapsedS > SIMULATION_LIMIT_S) return
  const readings = lane.simulated.advanceTo(Math.floor(lane.elapsedS))
  if (readings.length > 0) void record(lane, { kind: 'readings', readings }).catch(raise)
}

/** Begins to listen to a lane's instruments. Breaks are noted as events; nothing is filled in. */
export function plugIn(lane: Lane, raise: Raise) {
  const { feed } = lane.setup
  const at = () => Math.round(elapsedAt(lane, performance.now()) * 10) / 10
  const note = (kind: string, text: string) =>
    void record(lane, { kind: 'event', event: { t: at(), kind, text } }).catch(raise)
  const on: FeedHandlers = {
    elapsed: () => elapsedAt(lane, performance.now()),
    readings: (readings) => void record(lane, { kind: 'readings', readings }).catch(raise),
    lost: (stream, why) => {
      lane.lost = { ...lane.lost, [stream]: why }
      note('stream-lost', `Nothing more from ${stream}: ${why}`)
    },
    back: (stream) => {
      const { [stream]: _, ...others } = lane.lost
      lane.lost = others
      note('stream-back', `${stream} is heard again`)
    },
  }
  if (feed.kind === 'instruments') {
    const stops = feed.ids.map((id) => listenTo(id, on))
    lane.unplug = () => stops.forEach((stop) => stop())
  } else if (feed.kind === 'own-battery') lane.unplug = listenToOwnBattery(on)
}

/** What follows from the readings: stop offers, the closer step of a closing-in rule, streams on one clock. */
export function updateLanes(lanes: readonly Lane[], pageNow: number) {
  closeIn(lanes)
  for (const lane of lanes) {
    if (pageNow - (looked.get(lane) ?? -Infinity) < LOOK_EVERY_MS) continue
    looked.set(lane, pageNow)
    lane.offerStop ??= stopReached(lane.setup.stop, lane.readings, lane.elapsedS)
    if (!lane.aligned && lane.setup.feed.kind === 'instruments' && lane.setup.feed.ids.length > 1) align(lane)
  }
}

/** Any lane of the strip that shows the level brings the closer step to all that follow such a rule. */
function closeIn(lanes: readonly Lane[]) {
  const common = lanes
    .filter((l) => speedOf(l) === 1)
    .map((l) => ({ startS: l.startedAtPage / 1000, readings: l.readings }))
  for (const lane of lanes) {
    const rule = lane.setup.reading
    if (rule.kind !== 'closing-in' || lane.closingInFrom !== null) continue
    const moment = closingInMoment(rule.abovePercent, common)
    if (moment !== null) lane.closingInFrom = Math.max(0, moment - lane.startedAtPage / 1000)
  }
}

function align(lane: Lane) {
  const offsets = alignByCurrent(lane.readings, lane.offsets)
  if (Object.keys(offsets).length === 0) return
  void record(lane, { kind: 'offsets', offsets }).catch(() => undefined)
}
