import type { Source } from '../gear/gear'
import { list } from '../words/lists'

/** What of a set-up can be in one place at a time. */
export interface Uses {
  deviceId: string
  sourceId: string
  conditions: { meterId: string | null }
}
/** What the shelf says of it. */
export interface UsedShelf {
  device: (id: string) => { name: string } | undefined
  source: (id: string) => Pick<Source, 'name' | 'ports'> | undefined
  meter: (id: string | null) => { name: string } | undefined
}

/**
 * What of a new lane is at work on others already, in sentences: nothing is refused, since there may be another of the
 * same; but who picked the wrong one sees it before the clock starts.
 *
 * @param others what is on the bench, and what to call each, such as `lane 2`
 * @returns no sentence where all of it is free
 */
export function takenBy(
  uses: Uses,
  others: readonly { place: string; uses: Uses }[],
  shelf: UsedShelf,
): string[] {
  const on = (same: (of: Uses) => boolean) =>
    others.filter((other) => same(other.uses)).map(({ place }) => place)
  const said: string[] = []
  const device = shelf.device(uses.deviceId)
  const charging = on((of) => of.deviceId === uses.deviceId)
  if (device && charging.length)
    said.push(`${device.name} is on ${list(charging)} already: go on only with another unit of it.`)
  const source = shelf.source(uses.sourceId)
  const feeding = on((of) => of.sourceId === uses.sourceId)
  const ports = source?.ports.length ?? 0
  if (source && feeding.length && feeding.length >= ports)
    said.push(`${source.name} feeds ${list(feeding)} already: go on only with another one of it.`)
  else if (source && feeding.length)
    said.push(`${source.name} feeds ${list(feeding)} too: its ports may share its watts.`)
  const meter = shelf.meter(uses.conditions.meterId)
  const metering = on((of) => of.conditions.meterId === uses.conditions.meterId)
  if (meter && metering.length)
    said.push(`${meter.name} is on ${list(metering)} already: go on only with another one of it.`)
  return said
}
