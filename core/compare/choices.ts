import { groups } from 'd3-array'

/** What of a run decides by which question it is chosen. */
export interface Choosable {
  id: string
  deviceId: string
  sourceId: string
  cableId: string | null
  /** What feeds the source, where it is a pad, a dock or a bank. */
  fedFromId: string | null
  /** Kind of its device. */
  kind: string
  /** A run that counts: neither spoilt nor set aside. */
  sound: boolean
  /** ISO 8601. */
  startedAt: string
  /** What is the same in every repeat, as one text. */
  setUp: string
  campaignId: string | null
}

/** A question to which some runs of a logbook are the answer. */
export interface Choice {
  kind: 'sources' | 'devices' | 'generations' | 'feeds' | 'repeats' | 'before-after' | 'campaign'
  /** What it is about, where it is about one: a device, a source, a kind of device, a campaign. */
  deviceId?: string
  sourceId?: string
  deviceKind?: string
  campaignId?: string
  runIds: string[]
}

const gearOf = (r: Choosable) => `${r.deviceId} ${r.sourceId} ${r.cableId} ${r.fedFromId}`
const kinds = (runs: readonly Choosable[], of: (r: Choosable) => string) => new Set(runs.map(of)).size

/**
 * Every question that the runs of a logbook can answer, each with the runs for it in the order of time: one device over
 * its sources, one source over devices, generations of a kind, a pad or a dock over what feeds it, repeats of a set-up,
 * before and after, a campaign.
 */
export function choicesFor(all: readonly Choosable[]): Choice[] {
  const runs = all.filter((r) => r.sound).sort((a, b) => a.startedAt.localeCompare(b.startedAt))
  const ids = (of: readonly Choosable[]) => of.map((r) => r.id)
  const byDevice = groups(runs, (r) => r.deviceId).filter(([, of]) => kinds(of, (r) => r.sourceId) > 1)
  const bySource = groups(runs, (r) => r.sourceId).filter(([, of]) => kinds(of, (r) => r.deviceId) > 1)
  const generations = groups(
    runs,
    (r) => r.sourceId,
    (r) => r.kind,
  ).flatMap(([sourceId, kindsOf]) => kindsOf.map(([deviceKind, of]) => ({ sourceId, deviceKind, of })))
  const gear = groups(runs, gearOf).map(([, of]) => of)
  const fed = groups(runs, (r) => `${r.deviceId} ${r.sourceId}`).map(([, of]) => of)
  const campaigns = groups(runs, (r) => r.campaignId)
  return [
    ...byDevice.map(([deviceId, of]): Choice => ({ kind: 'sources', deviceId, runIds: ids(of) })),
    ...bySource.map(([sourceId, of]): Choice => ({ kind: 'devices', sourceId, runIds: ids(of) })),
    ...generations
      .filter(({ of, sourceId }) => {
        const isWhole = bySource.some(([id, whole]) => id === sourceId && whole.length === of.length)
        return !isWhole && kinds(of, (r) => r.deviceId) > 1
      })
      .map(({ sourceId, deviceKind, of }): Choice => ({ kind: 'generations', sourceId, deviceKind, runIds: ids(of) })),
    ...fed
      .filter((of) => kinds(of, (r) => r.fedFromId ?? '') > 1)
      .map((of): Choice => ({ kind: 'feeds', deviceId: of[0].deviceId, sourceId: of[0].sourceId, runIds: ids(of) })),
    ...gear
      .filter((of) => of.length > 1)
      .map((of): Choice => ({ kind: hasChanged(of) ? 'before-after' : 'repeats', deviceId: of[0].deviceId, sourceId: of[0].sourceId, runIds: ids(of) })),
    ...campaigns.flatMap(([campaignId, of]): Choice[] =>
      campaignId !== null && of.length > 1 ? [{ kind: 'campaign', campaignId, runIds: ids(of) }] : [],
    ),
  ] // prettier-ignore
}

/** Something was another between two runs of the same gear: its software, its battery, how it was set. They are no repeats. */
const hasChanged = (of: readonly Choosable[]): boolean => kinds(of, (r) => r.setUp) > 1

/**
 * The run that others are set against: what came in the box, else what is owned, the slowest of them; without either, or
 * where all others are slower still, the slowest of all, so that never every saving is negative.
 *
 * @param runs with how slow each is, in whatever unit is the same for all: more is slower; NaN where nothing tells
 * @returns place in the list; −1 of an empty one
 */
export function baselineAmong(runs: readonly { inBox: boolean; owned: boolean; slow: number }[]): number {
  const slowOf = (i: number) => (Number.isNaN(runs[i].slow) ? -Infinity : runs[i].slow)
  const slowest = (of: readonly number[]): number | undefined =>
    [...of].sort((a, b) => slowOf(b) - slowOf(a))[0]
  const all = runs.map((_, i) => i)
  const boxed = all.filter((i) => runs[i].inBox)
  const owned = all.filter((i) => runs[i].owned)
  const others = (i: number) => all.filter((k) => k !== i && !Number.isNaN(runs[k].slow))
  const isFastest = (i: number) => others(i).length > 0 && others(i).every((k) => runs[k].slow > slowOf(i))
  const among = [boxed, owned.length < all.length ? owned : []].map(slowest)
  return among.find((i) => i !== undefined && !isFastest(i)) ?? slowest(all) ?? -1
}
