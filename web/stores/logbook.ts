import { defineStore } from 'pinia'
import { computed, markRaw, ref, shallowReactive } from 'vue'
import type { Cable, Device, Source } from '@core/gear/gear'
import { writeLogbook } from '@core/formats/logbookJson'
import type { Logbook } from '@core/logbook/logbook'
import type { Run } from '@core/logbook/run'
import { withValue, type Channel, type Trace } from '@core/trace/trace'
import * as storage from '../storage/logbookStorage'

type Items = { devices: Device; sources: Source; cables: Cable }
export type ShelfKind = keyof Items

/** The logbook as every screen sees it. Nothing changes here before it is stored. */
export const useLogbook = defineStore('logbook', () => {
  const devices = ref<Device[]>([])
  const sources = ref<Source[]>([])
  const cables = ref<Cable[]>([])
  const runs = ref<Run[]>([])
  const traces = shallowReactive(new Map<string, Trace>())
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  /** Raised whenever the whole logbook was read anew. */
  const revision = ref(0)
  const lists = { devices, sources, cables }

  const isEmpty = computed(() => !devices.value.length && !sources.value.length && !runs.value.length)

  async function load() {
    try {
      const shelf = await storage.loadShelf()
      devices.value = shelf.devices.sort(byName)
      sources.value = shelf.sources.sort((a, b) => a.ratedWatts - b.ratedWatts || byName(a, b))
      cables.value = shelf.cables.sort(byName)
      runs.value = shelf.runs
      traces.clear()
      revision.value++
      state.value = 'ready'
    } catch (error) {
      failure.value = (error as Error).message
      state.value = 'failed'
    }
  }

  async function put<K extends ShelfKind>(kind: K, item: Items[K]) {
    const plain = JSON.parse(JSON.stringify(item)) as Items[K]
    await storage.putGear(kind, item.id, plain)
    const list = lists[kind].value as Items[K][]
    const at = list.findIndex((i) => i.id === item.id)
    if (at < 0) list.push(plain)
    else list[at] = plain
  }

  /** Runs that stand on a piece of gear keep it from being deleted. */
  const runsWith = (kind: ShelfKind, id: string) =>
    runs.value.filter(
      (r) => (kind === 'devices' ? r.deviceId : kind === 'sources' ? r.sourceId : r.cableId) === id,
    )

  /** Deletes and returns what undoes it. */
  async function remove(kind: ShelfKind, id: string): Promise<() => Promise<void>> {
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
  const run = (id: string) => runs.value.find((r) => r.id === id)
  const nameOf = (r: { deviceId: string; sourceId: string }) =>
    `${device(r.deviceId)?.name ?? 'A deleted device'} from ${source(r.sourceId)?.name ?? 'a deleted source'}`

  return {
    devices,
    sources,
    cables,
    runs,
    traces,
    state,
    failure,
    revision,
    isEmpty,
    load,
    put,
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
    run,
    nameOf,
  }
})

const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name)
