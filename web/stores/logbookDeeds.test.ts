import 'fake-indexeddb/auto'
import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { blankDevice } from '@core/gear/deviceFields'
import { blankSource } from '@core/gear/blanks'
import { emptyLogbook, type Logbook } from '@core/logbook/logbook'
import { blankRun, type Run } from '@core/logbook/run'
import { editionDrawers, metaDrawer, openDatabase, traceDrawer } from '../storage/database'
import { readPointer } from '../storage/editions'
import { emptyBrowser } from '../storage/storage.fixture'
import { useLogbook } from './logbook'

// Neither tab hears of the other at once: each has to find out by itself that it knows an older logbook.
vi.hoisted(() => vi.stubGlobal('BroadcastChannel', undefined))

/**
 * What two tabs do to one logbook, drawn by chance, beside a plain account of it. The browser may be killed at any
 * write: then the deed was done whole or not at all.
 */
type Deed = { tab: 0 | 1; which: number; tag: number; dies: number | null } & {
  do: 'run' | 'part' | 'unpart' | 'rename' | 'retrace' | 'delete' | 'delete and undo' | 'notes' | 'watts' | 'delete gear'
    | 'merge' | 'replace' | 'wipe' | 'undo' | 'reload'
} // prettier-ignore

const weighed = (weight: number, ...kinds: Deed['do'][]) => ({ weight, arbitrary: fc.constantFrom(...kinds) })
const DEED: fc.Arbitrary<Deed> = fc.record({
  do: fc.oneof(
    weighed(10, 'run', 'part', 'unpart', 'rename', 'retrace', 'delete', 'delete and undo', 'notes'),
    weighed(4, 'watts', 'delete gear'),
    weighed(5, 'merge', 'undo'),
    weighed(2, 'replace', 'wipe', 'reload'),
  ),
  tab: fc.constantFrom(0 as const, 1 as const),
  which: fc.nat(20),
  tag: fc.integer({ min: 2, max: 99 }),
  dies: fc.option(fc.oneof(fc.nat(8), fc.nat(25)), { freq: 4 }),
})

/** A record as the account knows it: by what tells one state of it from another, and by what it names. */
interface Kept {
  told: string
  names: string[]
}
type Shelf = ReadonlyMap<string, Kept>
interface Account {
  now: Shelf
  /** Before the last import or wipe; null where there was none. */
  before: Shelf | null
  /** Keys of what was written since. */
  since: ReadonlySet<string>
  /** How often the logbook was turned to another edition. */
  turns: number
}

let writesLeft = Infinity
/** Once a browser is killed, nothing is written any more until it is opened again. */
function mayWrite(): void {
  if (writesLeft-- <= 0) throw new DOMException('killed', 'AbortError')
}
beforeEach(async () => {
  vi.stubGlobal('navigator', {})
  // A drawer that is not open yet takes on its methods as it opens, and would write past the spies.
  await openDatabase()
  for (const drawer of [...Object.values(editionDrawers), metaDrawer, traceDrawer])
    for (const way of ['setItem', 'removeItem', 'clear'] as const) {
      const write = (drawer[way] as (...given: unknown[]) => Promise<unknown>).bind(drawer)
      vi.spyOn(drawer, way).mockImplementation((async (...given: unknown[]) => {
        mayWrite()
        return write(...given)
      }) as never)
    }
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

type Tab = ReturnType<typeof useLogbook>
async function openTab(): Promise<Tab> {
  setActivePinia(createPinia())
  const tab = useLogbook()
  await tab.load()
  if (tab.state !== 'ready') throw new Error(tab.failure)
  return tab
}

const trace = (length: number) => ({
  time: Float64Array.from({ length }, (_, i) => i * 60),
  percent: Float64Array.from({ length }, (_, i) => i),
  temperatures: {},
})
/** A file: a device, and a run of it on a pad behind a brick. */
function fileOf(which: number, tag: number): Logbook {
  const device = blankDevice({ id: `d${which}`, name: 'Skerry P5', kind: 'phone', notes: `${tag}` })
  const brick = blankSource({ id: `b${which}`, name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20 })
  const pad = blankSource({ ...brick, id: `s${which}`, name: 'Gangway 15', fedFromId: brick.id })
  const run = runOf(`f${which}`, which, `${tag}`)
  return { ...emptyLogbook(), devices: [device], sources: [brick, pad], runs: [{ run, trace: trace(tag) }] }
}
const runOf = (id: string, which: number, name: string): Run =>
  blankRun({
    id,
    deviceId: `d${which}`,
    sourceId: `s${which}`,
    name,
    startedAt: '2026-03-01T19:00:00.000Z',
  } as never)
const accountOf = (logbook: Logbook): Shelf =>
  new Map([
    ...logbook.devices.map((d): [string, Kept] => [d.id, { told: `${d.notes}/${d.maxWatts}`, names: [] }]),
    ...logbook.sources.map((s): [string, Kept] => [
      s.id,
      { told: s.name, names: s.fedFromId ? [s.fedFromId] : [] },
    ]),
    ...logbook.runs.map(({ run, trace: { time } }): [string, Kept] => [
      run.id,
      { told: `${run.name}/${time.length}`, names: [run.deviceId, run.sourceId] },
    ]),
  ])

const changed = (account: Account, key: string, kept: Kept | null): Account => {
  const [now, since] = [new Map(account.now), new Set(account.since)]
  if (kept) now.set(key, kept)
  else now.delete(key)
  if (kept) since.add(key)
  return { ...account, now, since }
}
const turned = ({ now: before, turns }: Account, now: Shelf): Account => ({
  now,
  before,
  since: new Set(),
  turns: turns + 1,
})

/** Back to what was before, with what was written since, and all that it needs. */
function undone(account: Account): Account {
  const { now, before, since } = account
  const result = new Map(before)
  const carry = (key: string) => {
    for (const named of now.get(key)!.names) if (!result.has(named)) carry(named)
    result.set(key, now.get(key)!)
  }
  for (const key of since) if (now.has(key)) carry(key)
  return turned(account, result)
}

/** A deed: what does it, and how the logbook may stand after it, the last where nothing came in between. */
interface Planned {
  work: () => Promise<unknown>
  after: Account[]
}

/** What a deed is to do, as the tab sees its logbook; null where there is nothing to do it to. */
function planned(deed: Deed, tab: Tab, account: Account, next: number): Planned | null {
  const { which, tag } = deed
  const there = <T extends { id: string }>(list: readonly T[]): T | undefined => {
    const known = list.filter(({ id }) => account.now.has(id))
    return known[which % (known.length || 1)]
  }
  const told = (id: string) => account.now.get(id)!.told.split('/')
  const put = (id: string, ...words: (string | number)[]): Account =>
    changed(account, id, { told: words.join('/'), names: account.now.get(id)?.names ?? [] })

  switch (deed.do) {
    case 'merge':
    case 'replace': {
      const file = fileOf(which % 3, tag)
      const kept = deed.do === 'merge' ? account.now : []
      const after = turned(account, new Map([...kept, ...accountOf(file)]))
      return { work: () => tab.takeLogbook(file, deed.do as 'merge'), after: [after] }
    }
    case 'wipe':
      return { work: tab.wipe, after: [account.now.size ? turned(account, new Map()) : account] }
    case 'undo':
      return account.before && { work: tab.undoEdition, after: [undone(account)] }
    case 'reload':
      return { work: tab.load, after: [account] }
  }

  const device = there(tab.devices)
  if (device)
    switch (deed.do) {
      case 'run': {
        const [id, of] = [`r${next}`, Number(device.id.slice(1))]
        const kept = { told: `${tag}/${tag}`, names: [device.id, `s${of}`] }
        const work = () => tab.putRun(runOf(id, of, `${tag}`), trace(tag))
        // An undone import may have taken its source away.
        return account.now.has(`s${of}`)
          ? { work, after: [changed(account, id, kept)] }
          : { work: () => expect(work()).rejects.toThrow(/no longer in|killed/), after: [account] }
      }
      case 'notes':
        return {
          work: () => tab.put('devices', { ...device, notes: `n${tag}` }, device),
          after: [put(device.id, `n${tag}`, told(device.id)[1])],
        }
      case 'watts':
        return {
          work: () => tab.put('devices', { ...device, maxWatts: tag }, device),
          after: [put(device.id, told(device.id)[0], tag)],
        }
      case 'delete gear': {
        const used = [...account.now.values()].some(({ names }) => names.includes(device.id))
        const refused = () => expect(tab.remove('devices', device.id)).rejects.toThrow(/It is used by|killed/)
        return used
          ? { work: refused, after: [account] }
          : { work: () => tab.remove('devices', device.id), after: [changed(account, device.id, null)] }
      }
    }

  const run = there(tab.runs)
  if (run)
    switch (deed.do) {
      case 'rename':
        return {
          work: () => tab.changeRun(run.id, () => ({ name: `n${tag}` })),
          after: [put(run.id, `n${tag}`, told(run.id)[1])],
        }
      case 'retrace':
        return {
          work: () =>
            tab.write(
              'runs',
              () => tab.run(run.id)!,
              () => trace(tag),
            ),
          after: [put(run.id, told(run.id)[0], tag)],
        }
      case 'part': {
        const parts = [`p${next}`, `q${next}`].map((id) => ({ ...run, id, name: `${tag}` }))
        const kept = { told: `${tag}/${tag}`, names: account.now.get(run.id)!.names }
        const whole = () => ({ put: 'runs' as const, record: { ...tab.run(run.id)!, name: 'whole' } })
        return {
          work: () =>
            tab.change(() => [
              ...parts.map((record) => ({ put: 'runs' as const, record, trace: trace(tag) })),
              whole(),
            ]),
          after: [
            parts.reduce((then, { id }) => changed(then, id, kept), put(run.id, 'whole', told(run.id)[1])),
          ],
        }
      }
      case 'unpart': {
        const parts = tab.runs.filter(({ id }) => /^[pq]/.test(id) && account.now.has(id))
        return {
          work: () =>
            tab.change(() => parts.filter((p) => tab.run(p.id)).map(({ id }) => ({ drop: 'runs', id }))),
          after: [parts.reduce((then, { id }) => changed(then, id, null), account)],
        }
      }
      case 'delete':
        return { work: () => tab.remove('runs', run.id), after: [changed(account, run.id, null)] }
      case 'delete and undo':
        return {
          work: async () => (await tab.removeRun(run.id))(),
          after: [changed(account, run.id, null), put(run.id, ...told(run.id))],
        }
    }
  return null
}

/** What lies in storage, read anew, in the account's words. */
async function stored(): Promise<string[]> {
  const tab = await openTab()
  expect(tab.apart).toEqual([])
  return sorted(accountOf(await tab.readWhole()))
}
const sorted = (shelf: Shelf) => [...shelf].map(([key, { told }]) => `${key} ${told}`).sort()

const DAYS = process.env.FUZZ_RUNS ? 1000 : 40

it('a logbook holds what was done to it, by two tabs and through kills', { timeout: 600_000 }, async () => {
  let deaths = 0
  const first: Deed = { do: 'merge', tab: 0, which: 0, tag: 5, dies: null }
  const deeds = fc.array(DEED, { minLength: 2, maxLength: 25 }).map((more) => [first, ...more])
  await fc.assert(
    fc.asyncProperty(deeds, async (all) => {
      writesLeft = Infinity
      await emptyBrowser()
      let tabs = [await openTab(), await openTab()]
      const turns = (await readPointer())!.number
      // Several where a kill leaves it open whether what is there was written anew, as it was.
      let accounts: Account[] = [{ now: new Map(), before: null, since: new Set(), turns }]
      for (const [i, deed] of all.entries()) {
        const plans = accounts.map((account) => planned(deed, tabs[deed.tab], account, i))
        const [plan] = plans
        if (!plan) continue
        writesLeft = deed.dies ?? Infinity
        const failure: unknown = await plan.work().catch((error: unknown) => error)
        const killed = writesLeft < 0
        writesLeft = Infinity
        if (failure instanceof Error && !killed) throw failure
        if (killed) {
          deaths++
          tabs = [await openTab(), await openTab()]
        }
        const ways = plans.flatMap((p, n) => (killed ? [accounts[n], ...p!.after] : p!.after.slice(-1)))
        const found = await stored()
        const turned = (await readPointer())!.number
        const before = accounts
        accounts = ways.filter((w) => w.turns === turned && isDeepStrictEqual(sorted(w.now), found))
        if (accounts.length === 0)
          expect([turned, found]).toEqual([before[0].turns, sorted(ways.at(-1)!.now)])
        const { devices, sources, runs } = tabs[deed.tab]
        if (!killed)
          expect([...devices, ...sources, ...runs].map(({ id }) => id).sort()).toEqual(
            [...accounts[0].now.keys()].sort(),
          )
      }
    }),
    { numRuns: DAYS },
  )
  expect(deaths, 'kills that cut a write off').toBeGreaterThan(DAYS / 2)
})
