import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { watch } from 'vue'
import { emptySession } from '@core/bench/session'
import { saveSession } from '../storage/benchSession'
import { change, readRevision } from '../storage/logbookStorage'
import { readNote, writeNote } from '../storage/note'
import { useBench } from './bench'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'
import { useStartup } from './startup'

beforeEach(async () => {
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  })
  vi.stubGlobal('fetch', () => Promise.reject(new Error('There is no server.')))
  await openWith('a')
  useBench().resume = () => Promise.resolve()
  useLogbook().settle()
})

/** Does something as soon as this tab has read the logbook, and before it looks for a loss. */
function onceRead(deed: () => Promise<void>) {
  const logbook = useLogbook()
  const { load } = logbook
  let done = false
  logbook.load = async () => {
    await load()
    if (!done) await deed()
    done = true
  }
}

it('takes for no loss what another tab writes while this one opens', async () => {
  onceRead(async () => {
    const revision = await readRevision()
    const run = useLogbook().run('a')!
    await change(
      revision,
      () => undefined,
      () => [{ put: 'runs', record: { ...run, notes: 'by another tab' } }],
    )
    writeNote({ revision: revision + 1 })
    await saveSession({ ...emptySession(), number: 7 })
    writeNote({ session: 7 })
  })
  await useStartup().begin()
  expect(useStartup().loss).toBeNull()
  expect(useLogbook().run('a')!.notes).toBe('by another tab')
})

it('tells a store that is older than its note', async () => {
  writeNote({ revision: readNote()!.revision + 1 })
  await useStartup().begin()
  expect(useStartup().loss).toMatchObject({ runs: 1, lanes: 0 })
})

it('shows nothing as if it were all before it knows whether something was lost', async () => {
  writeNote({ revision: readNote()!.revision + 1 })
  const startup = useStartup()
  const shown: boolean[] = []
  watch(() => startup.decided, (decided) => shown.push(decided && startup.loss === null), { flush: 'sync' }) // prettier-ignore
  expect(startup.decided).toBe(false)
  await startup.begin()
  expect(shown).toEqual([false])
})

it('tells a bench that is older than its note', async () => {
  writeNote({ session: 3 })
  await useStartup().begin()
  expect(useStartup().loss).not.toBeNull()
})
