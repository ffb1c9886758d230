import { finishLane, type Ending } from '@core/bench/finish'
import type { LaneChoice, LaneGear, LaneSetup } from '@core/bench/setup'
import { chainTo } from '@core/gear/chain'
import { freeInk } from '@core/logbook/logbook'
import type { Device } from '@core/gear/gear'
import { blankRun, type Run } from '@core/logbook/run'
import { checkedConditions, deviceConditions } from '@core/protocol/runConditions'
import type { Lane } from './lane'
import type { useLogbook } from './logbook'

type Logbook = ReturnType<typeof useLogbook>

/** The gear of a lane as it stands at power-on; null where some of it is not on the shelf. */
export function gearOf(
  { deviceId, sourceId, cableId, conditions }: LaneChoice,
  logbook: Logbook,
): LaneGear | null {
  const [device, source] = [logbook.device(deviceId), logbook.source(sourceId)]
  if (!device || !source) return null
  const cable = logbook.cable(cableId) ?? null
  // Each names the one before it and nothing else: put back on an empty shelf, none of them points nowhere.
  const chain = chainTo(source, logbook.sources, conditions.fedFromId).map((link, i, all) => ({
    ...link,
    fedFromId: all[i - 1]?.id ?? null,
  }))
  const before = chain.slice(0, -1)
  const used = [conditions.meterId, conditions.thermometerId]
  const meters = logbook.meters.filter((m) => used.includes(m.id))
  return JSON.parse(
    JSON.stringify({
      device,
      source: chain[before.length],
      before,
      cable,
      meters,
    }),
  ) as LaneGear
}

/** The least used ink among the device's runs and the lanes on the bench. */
export const inkFor = ({ deviceId }: LaneChoice, onBench: readonly Lane[], logbook: Logbook): number =>
  freeInk(
    logbook.runs.filter((r) => r.deviceId === deviceId).map((r) => r.ink),
    onBench.map((l) => l.setup.ink),
  )

/** The device may have left the shelf while the lane ran; a run must find what it was made with. */
export async function putMissingGear({ gear }: LaneSetup, logbook: Logbook): Promise<void> {
  if (!gear) return
  if (!logbook.device(gear.device.id)) await logbook.put('devices', gear.device)
  for (const source of [...gear.before, gear.source])
    if (!logbook.source(source.id)) await logbook.put('sources', source)
  for (const meter of gear.meters) if (!logbook.meter(meter.id)) await logbook.put('meters', meter)
  if (gear.cable && !logbook.cable(gear.cable.id)) await logbook.put('cables', gear.cable)
}

/** The run that a lane becomes when it is over. Its device is as it was at power-on. */
export function runFrom(lane: Lane, ending: Ending, device: Device | undefined): Run {
  const { runId, deviceId, sourceId, cableId, ink, reading, stop, planned, checklist, heat, conditions } =
    lane.setup
  return blankRun({
    id: runId,
    deviceId,
    sourceId,
    cableId,
    ink,
    reading,
    stop,
    planned,
    checklist,
    heat,
    conditions: {
      ...conditions,
      ...(lane.setup.gear && { fedFromId: lane.setup.gear.before.at(-1)?.id ?? null }),
      ...(device && deviceConditions(device)),
      ...checkedConditions(checklist),
    },
    ...finishLane(lane, ending),
  })
}
