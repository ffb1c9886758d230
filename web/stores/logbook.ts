import { defineStore } from 'pinia'
import { computed, markRaw, ref, shallowReactive } from 'vue'
import { asCorrections, ratingChanges } from '@core/gear/corrections'
import type { Cable, Device, GearCorrection, Meter, Observation, Source } from '@core/gear/gear'
import { writeLogbook } from '@core/formats/logbookJson'
import { correctionKey, type Logbook } from '@core/logbook/logbook'
import type { Run } from '@core/logbook/run'
import type { Campaign } from '@core/plan/campaign'
import type { Protocol } from '@core/protocol/protocol'
import { withValue, type Channel, type Trace } from '@core/trace/trace'
import * as storage from '../storage/logbookStorage'

type Items = {
  devices: Device
  sources: Source
  cables: Cable
  meters: Meter
  observations: Observation
  protocols: Protocol
  campaigns: Campaign
}
export type ItemKind = keyof Items
export type ShelfKind = 'devices' | 'sources' | 'cables' | 'meters'

/** The logbook as every screen sees it. Nothing changes here before it is stored. */
export const useLogbook = defineStore('logbook', () => {
  const devices = ref<Device[]>([])
  const sources = ref<Source[]>([])
  const cables = ref<Cable[]>([])
  const meters = ref<Meter[]>([])
  const observations = ref<Observation[]>([])
  const protocols = ref<Protocol[]>([])
  const campaigns = ref<Campaign[]>([])
  const gearCorrections = ref<GearCorrection[]>([])
  const runs = ref<Run[]>([])
  const traces = shallowReactive(new Map<string, Trace>())
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  /** Raised whenever the whole logbook was read anew. */
  const revision = ref(0)
  const lists = { devices, sources, cables, meters, observations, protocols, campaigns }

  const isEmpty = computed(() => !devices.value.length && !sources.value.length && !runs.value.length)

  async function load() {
    try {
      const shelf = await storage.loadShelf()
      devices.value = shelf.devices.sort(byName)
      sources.value = shelf.sources.sort((a, b) => a.ratedWatts - b.ratedWatts || byName(a, b))
      cables.value = shelf.cables.sort(byName)
      meters.value = shelf.meters.sort(byName)
      observations.value = shelf.observations.sort((a, b) => a.when.localeCompare(b.when))
      protocols.value = shelf.protocols.sort(byName)
      campaigns.value = shelf.campaigns.sort((a, b) => a.createdAt.localeCompare(b.createdAt))
      gearCorrections.value = shelf.gearCorrections.sort((a, b) => a.when.localeCompare(b.when))
      runs.value = shelf.runs
      traces.clear()
      revision.value++
      state.value = 'ready'
    } catch (error) {
      failure.value = (error as Error).message
      state.value = 'failed'
    }
  }

  async function put<K extends ItemKind>(kind: K, item: Items[K]) {
    const plain = JSON.parse(JSON.stringify(item)) as Items[K]
    await storage.putGear(kind, item.id, plain)
    const list = lists[kind].value as Items[K][]
    const at = list.findIndex((i) => i.id === item.id)
    if (at < 0) list.push(plain)
    else list[at] = plain
  }

  /** Stores a piece of gear whose ratings changed; the old values and the reason stay for good. */
  async function correctGear<K extends ShelfKind>(kind: K, item: Items[K], why: string) {
    const before = (lists[kind].value as Items[K][]).find((i) => i.id === item.id)
    const changes = before ? ratingChanges(before, item) : []
    for (const correction of asCorrections(item.id, changes, why, new Date().toISOString())) {
      await storage.putGear('gearCorrections', correctionKey(correction), correction)
      gearCorrections.value.push(correction)
    }
    await put(kind, item)
  }

  /** Runs that stand on a piece of gear keep it from being deleted. */
  const runsWith = (kind: ShelfKind, id: string) =>
    runs.value.filter(
      (r) => ({ devices: r.deviceId, sources: r.sourceId, cables: r.cableId, meters: null })[kind] === id,
    )

  /** Deletes and returns what undoes it. */
  async function remove(kind: ItemKind, id: string): Promise<() => Promise<void>> {
    const list = lists[kind].value as { id: string }[]
    const at = list.findIndex((i) => i.id === id)
    const [item] = list.slice(at, at + 1)
    await storage.dropGear(kind, id)
    list.splice(at, 1)
    return () => put(kind, item as Items[typeof kind])
  }

  async function putRun(run: Run, trace?: Trace) {
    const plain = JSON.parse(JSON.stringify(run)) as Run
    await storage.putRun(plain, trace)
    if (trace) traces.set(run.id, markRaw(trace))
    const at = runs.value.findIndex((r) => r.id === run.id)
    if (at < 0) runs.value.push(plain)
    else runs.value[at] = plain
  }

  async function removeRun(id: string): Promise<() => Promise<void>> {
    const trace = await traceOf(id)
    const run = runs.value.find((r) => r.id === id)!
    await storage.dropRun(id)
    runs.value = runs.value.filter((r) => r.id !== id)
    traces.delete(id)
    return () => putRun(run, trace)
  }

  async function traceOf(id: string): Promise<Trace | undefined> {
    const known = traces.get(id)
    if (known) return known
    const stored = await storage.loadTrace(id)
    if (stored) traces.set(id, markRaw(stored))
    return stored ?? undefined
  }

  /** Changes one reading; the old value, the reason and the moment stay with the run. */
  async function correct(id: string, row: number, what: Channel, to: number | null, why: string) {
    const run = runs.value.find((r) => r.id === id)!
    const trace = (await traceOf(id))!
    const before = trace[what]?.[row]
    const from = before === undefined || Number.isNaN(before) ? null : before
    const correction = { row, t: trace.time[row], what, from, to, why, when: new Date().toISOString() }
    await putRun(
      { ...run, corrections: [...run.corrections, correction] },
      withValue(trace, row, what, to ?? NaN),
    )
  }

  const exportText = async () => writeLogbook(await storage.loadLogbook(), new Date().toISOString())

  async function take(incoming: Logbook, mode: storage.ImportMode) {
    await storage.importLogbook(incoming, mode)
    await load()
  }

  async function wipe() {
    await storage.wipeLogbook()
    await load()
  }

  const device = (id: string) => devices.value.find((d) => d.id === id)
  const source = (id: string) => sources.value.find((s) => s.id === id)
  const cable = (id: string | null) => cables.value.find((c) => c.id === id)
  const campaign = (id: string) => campaigns.value.find((c) => c.id === id)
  const run = (id: string) => runs.value.find((r) => r.id === id)
  const nameOf = (r: { deviceId: string; sourceId: string }) =>
    `${device(r.deviceId)?.name ?? 'A deleted device'} from ${source(r.sourceId)?.name ?? 'a deleted source'}`

  return {
    devices,
    sources,
    cables,
    meters,
    observations,
    protocols,
    campaigns,
    gearCorrections,
    runs,
    traces,
    state,
    failure,
    revision,
    isEmpty,
    load,
    put,
    correctGear,
    remove,
    runsWith,
    putRun,
    removeRun,
    traceOf,
    correct,
    exportText,
    take,
    wipe,
    device,
    source,
    cable,
    campaign,
    run,
    nameOf,
  }
})

const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name)
