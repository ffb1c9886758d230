import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef } from 'vue'
import { writeLogbook } from '@core/formats/logbookJson'
import { COLLECTION_NAMES, COLLECTIONS, type CollectionName, type Records } from '@core/logbook/collections'
import { emptyLogbook, type Logbook } from '@core/logbook/logbook'
import type { Run } from '@core/logbook/run'
import type { WriteUp } from '@core/logbook/writeUp'
import type { Campaign } from '@core/plan/campaign'
import { threeWay } from '@core/logbook/threeWay'
import type { Trace } from '@core/trace/trace'
import type { Apart } from '../storage/envelope'
import * as storage from '../storage/logbookStorage'
import { writeNote } from '../storage/note'
import * as copy from '../storage/secondCopy'
import { onTold, type Told } from '../storage/writer'
import { asked } from './asked'
import { heldTraces } from './heldTraces'
import { lookupsOf, type Lists } from './lookups'
import { readingsFrom } from './readings'

const emptyLists = () => Object.fromEntries(COLLECTION_NAMES.map((name) => [name, []])) as unknown as Lists
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** The logbook as every screen sees it. Nothing changes here before it is stored. */
export const useLogbook = defineStore('logbook', () => {
  const lists = shallowRef<Lists>(emptyLists())
  const held = heldTraces()
  const { traces } = held
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  /** What could not be read. It is kept as it is, and can be taken out. */
  const apart = shallowRef<Apart[]>([])
  /** Raised whenever the whole logbook was read anew. */
  const reads = ref(0)
  /** Where each run's trace lies; a new key is a new trace. */
  const traceKeys = shallowReactive(new Map<string, string>())
  const { readingsOf, traceOf } = readingsFrom(traceKeys, held)
  const canUndoEdition = ref(false)
  let pointer: storage.OpenedLogbook['pointer'] | undefined
  let revision = 0

  const { byId, recordOf, find, nameOf, runsWith, heldBy, missedBy } = lookupsOf(lists)
  const isEmpty = computed(
    () => !lists.value.devices.length && !lists.value.sources.length && !lists.value.runs.length,
  )
  const records = () => COLLECTION_NAMES.reduce((sum, name) => sum + lists.value[name].length, 0)

  function show(opened: storage.OpenedLogbook) {
    const sorted = emptyLists()
    for (const name of COLLECTION_NAMES) Object.assign(sorted, { [name]: inOrder(name, opened.lists[name]) })
    for (const [runId, key] of traceKeys) if (opened.traces.get(runId) !== key) traces.delete(runId)
    traceKeys.clear()
    for (const [runId, key] of opened.traces) traceKeys.set(runId, key)
    lists.value = sorted
    apart.value = opened.apart
    pointer = opened.pointer
    revision = opened.revision
    canUndoEdition.value = opened.pointer.previous !== null
    reads.value++
    state.value = 'ready'
  }

  async function load() {
    try {
      show(await storage.openLogbook())
    } catch (error) {
      failure.value = (error as Error).message
      state.value = 'failed'
    }
  }

  /** Whether a copy of the logbook, or the note of it, is ahead of the store: both are only ever written after it. */
  const isOlderThan = (mark: { number: number; revision: number } | null): boolean =>
    mark !== null &&
    pointer !== undefined &&
    (mark.number > pointer.number || (mark.number === pointer.number && mark.revision > revision))

  /** Once it is known that nothing was lost: the note and the second copy follow what is stored. */
  function settle() {
    note()
    void copy.copyAll(() => ({
      lists: lists.value,
      traces: new Map(traceKeys),
      written: new Map(),
      apart: apart.value,
      pointer: pointer!,
      revision,
    }))
  }
  const note = () => writeNote({ number: pointer!.number, revision, runs: lists.value.runs.length })

  /** Another tab has written: what it changed is read anew; when this tab missed something, everything is. */
  async function hear({ revision: theirs, changed }: Told) {
    if (state.value !== 'ready' || theirs <= revision) return
    if (changed === null || theirs !== revision + 1 || !pointer) return load()
    revision = theirs
    for (const { collection, id } of changed) {
      const name = collection as CollectionName
      const found = await storage.readRecord(pointer, name, id)
      if (!found) take(name, id, null)
      else {
        if (found.trace && traceKeys.get(id) !== found.trace) {
          traces.delete(id)
          traceKeys.set(id, found.trace)
        }
        take(name, id, found.record)
      }
    }
  }
  onTold((told) => void hear(told).catch(() => load()))

  /** Takes one record into the list that screens see, or out of it. */
  function take(name: CollectionName, id: string, record: Records[CollectionName] | null) {
    const others = (lists.value[name] as { id: string }[]).filter((r) => r.id !== id)
    const next = record ? inOrder(name, [...others, record] as never[]) : others
    lists.value = { ...lists.value, [name]: next }
    if (!record && name === 'runs') {
      traces.delete(id)
      traceKeys.delete(id)
    }
  }

  /**
   * Makes changes that belong together, all of them or none: `decide` is asked under the lock, when this tab knows the
   * logbook as it stands.
   * @throws Error naming what still uses a record that should go, or what a record names that is not there
   */
  async function change(decide: () => storage.Change[] | Promise<storage.Change[]>) {
    let changes: storage.Change[] = []
    const written = await storage.change(revision, show, async () => {
      changes = (await decide()).map((one) => ('drop' in one ? one : { ...one, record: plain(one.record) }))
      for (const one of changes) {
        const stands = 'drop' in one ? heldBy(one.drop, one.id) : missedBy(one.put, one.record)
        if (stands && 'drop' in one) throw new Error(`It is used by ${stands}. Take it out of there first.`)
        if (stands) throw new Error(`${stands} It is not stored.`)
      }
      return changes
    })
    revision = written.revision
    if (changes.length === 0) return
    for (const one of changes) showChange(one, written.traceKeys)
    note()
    for (const one of changes) await copyChange(one)
  }

  function showChange(one: storage.Change, keys: ReadonlyMap<string, string>) {
    if ('drop' in one) return take(one.drop, one.id, null)
    const { put: name, record, trace } = one
    const key = name === 'runs' ? keys.get(record.id) : undefined
    if (key !== undefined) traceKeys.set(record.id, key)
    if (trace) held.hold(record.id, trace)
    take(name, record.id, record)
  }

  async function copyChange(one: storage.Change) {
    if ('drop' in one) return void copy.dropCopy(pointer!.number, revision, one.drop, one.id)
    const { put: name, record, trace } = one
    const whole = name === 'runs' ? (trace ?? (await readingsOf(record.id))) : undefined
    void copy.copyRecord(pointer!.number, revision, name, record, whole)
  }

  /** Puts one record, with a trace where it is a run that has a new one. */
  async function write<K extends CollectionName>(
    name: K,
    decide: () => Records[K] | Promise<Records[K]>,
    trace?: () => Trace,
  ) {
    let record!: Records[K]
    await change(async () => {
      record = plain(await decide())
      return [{ put: name, record, trace: trace?.() }]
    })
    return record
  }

  /** Stores a record. `base` is what its editor began with: fields it did not touch keep what stands there now. */
  const put = <K extends CollectionName>(name: K, record: Records[K], base?: Records[K]) =>
    write(name, () => {
      const now = byId.value[name].get(record.id) as Records[K] | undefined
      return now && base ? threeWay(plain(base), plain(record), plain(now)) : record
    })

  /** Deletes and returns what undoes it. @throws Error naming what still uses it. */
  async function remove(
    name: CollectionName,
    id: string,
    before?: () => Promise<void>,
  ): Promise<(trace?: Trace) => Promise<void>> {
    let record: Records[CollectionName] | undefined
    await change(async () => {
      record = byId.value[name].get(id)
      if (!record) return []
      await before?.()
      return [{ drop: name, id }]
    })
    // Another tab was first where there is none: what it deleted is its to bring back.
    return async (trace) => {
      if (record) await write(name, () => record as never, trace && (() => trace))
    }
  }

  const putRun = (run: Run, trace?: Trace) => write('runs', () => run, trace && (() => trace))

  /** Changes fields of a record as it stands now: of two changes at the same time neither is written over. */
  const changeRecord = <K extends CollectionName>(
    name: K,
    id: string,
    how: (now: Records[K]) => Partial<Records[K]> | Promise<Partial<Records[K]>>,
  ) =>
    write(name, async () => {
      const now = byId.value[name].get(id) as Records[K] | undefined
      if (!now) throw new Error(`This ${COLLECTIONS[name].called} is no longer in the logbook.`)
      return { ...now, ...(await how(now)) }
    })
  const changeRun = (id: string, how: (now: Run) => Partial<Run> | Promise<Partial<Run>>) =>
    changeRecord('runs', id, how)
  const changeCampaign = (id: string, how: (now: Campaign) => Partial<Campaign>) =>
    changeRecord('campaigns', id, how)
  const changeWriteUp = (id: string, how: (now: WriteUp) => Partial<WriteUp>) =>
    changeRecord('writeUps', id, (now) => ({ ...how(now), changedAt: new Date().toISOString() }))

  /** With its readings, as both stand when it goes: another tab may have put them right just before. */
  async function removeRun(id: string): Promise<() => Promise<void>> {
    let trace: Trace | undefined
    const bringBack = await remove('runs', id, async () => {
      trace = await readingsOf(id)
      if (!trace)
        throw new Error('Its readings cannot be read now, so it could not be brought back: it stays.')
    })
    return () => bringBack(trace)
  }

  /** Everything, with every trace. */
  const readWhole = async (): Promise<Logbook> => (await storage.readWhole()).logbook
  async function exportText(): Promise<string> {
    const { logbook, apart: unread } = await storage.readWhole()
    apart.value = unread
    return writeLogbook(logbook, new Date().toISOString())
  }

  async function take_(change: Promise<storage.OpenedLogbook>) {
    show(await change)
    settle()
  }
  /** Takes a checked logbook in; `undoEdition` goes back. */
  const takeLogbook = (incoming: Logbook, mode: storage.ImportMode) =>
    take_(storage.importLogbook(incoming, mode))
  const wipe = () => takeLogbook(emptyLogbook(), 'replace')
  const undoEdition = () => take_(storage.undoEdition())

  const listOf = <K extends CollectionName>(name: K) => computed(() => lists.value[name])

  return {
    devices: listOf('devices'),
    sources: listOf('sources'),
    cables: listOf('cables'),
    meters: listOf('meters'),
    observations: listOf('observations'),
    protocols: listOf('protocols'),
    campaigns: listOf('campaigns'),
    writeUps: listOf('writeUps'),
    runs: listOf('runs'),
    traces,
    traceKeys,
    moment: held.moment,
    letGo: held.letGo,
    state,
    failure,
    apart,
    reads,
    isEmpty,
    canUndoEdition,
    records,
    load,
    isOlderThan,
    settle,
    put,
    write,
    change,
    recordOf: asked(recordOf),
    remove,
    runsWith,
    putRun,
    changeRun,
    changeCampaign,
    changeWriteUp,
    removeRun,
    readingsOf,
    traceOf,
    exportText,
    readWhole,
    takeLogbook,
    wipe,
    undoEdition,
    device: asked(find('devices')),
    source: asked(find('sources')),
    cable: asked(find('cables')),
    meter: asked(find('meters')),
    campaign: asked(find('campaigns')),
    writeUp: asked(find('writeUps')),
    run: asked(find('runs')),
    nameOf: asked(nameOf),
  }
})

const inOrder = <K extends CollectionName>(name: K, list: readonly Records[K][]): Records[K][] =>
  [...list].sort(COLLECTIONS[name].order as never)
