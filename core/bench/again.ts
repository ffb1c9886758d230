import type { HeatRule } from './setup'
import type { ReadingRule, StopRule } from '../protocol/rules'

/** What of a run or a lane is offered again. */
export interface LastSetUp {
  deviceId: string
  sourceId: string
  cableId: string | null
  reading: ReadingRule
  stop: StopRule
  heat?: HeatRule
}

/**
 * "Same again, next source": the device, cable, reading and stop of the last run, with the next source of the shelf that
 * this device has not been on; with all of them tried, the one that follows. What is in use on the bench is passed over;
 * where all of it is, there may be another unit of the same: it is offered all the same, and the form says so.
 *
 * @param made every run and lane, the last one made last
 * @param busy ids of devices and sources that are on the bench now
 * @returns null where nothing was set up yet, or nothing is on the shelf
 */
export function sameAgain(
  made: readonly LastSetUp[],
  shelf: { devices: readonly string[]; sources: readonly string[] },
  busy: ReadonlySet<string> = new Set(),
): LastSetUp | null {
  const last = made[made.length - 1]
  if (!last) return null
  const isFree = (id: string) => !busy.has(id)
  const inTurn = (ids: readonly string[], after: string) => {
    const at = ids.indexOf(after)
    return [...ids.slice(at + 1), ...ids.slice(0, at + 1)]
  }
  const devices = [last.deviceId, ...inTurn(shelf.devices, last.deviceId)]
  const there = devices.filter((id) => shelf.devices.includes(id))
  const deviceId = there.find(isFree) ?? there[0] ?? ''
  const tried = new Set(made.filter((m) => m.deviceId === deviceId).map((m) => m.sourceId))
  const all = inTurn(shelf.sources, last.sourceId)
  const sources = all.some(isFree) ? all.filter(isFree) : all
  const sourceId = sources.find((id) => !tried.has(id)) ?? sources[0] ?? ''
  return deviceId && sourceId ? { ...last, deviceId, sourceId } : null
}
