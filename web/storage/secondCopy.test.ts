import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { blankRun } from '@core/logbook/run'
import { importLogbook, openLogbook, type OpenedLogbook } from './logbookStorage'
import { copyAll } from './secondCopy'
import { demoLike, emptyBrowser } from './storage.fixture'

/** The worker's folder, as far as it is asked. */
const files = new Set<string>()
let mark: object | null = null
const copy = {
  begin: () => Promise.resolve(true),
  mark: () => Promise.resolve(mark),
  setMark: (to: object) => Promise.resolve((mark = to)),
  put: vi.fn((_number: number, collection: string, { id }: { id: string }) =>
    Promise.resolve(files.add(`${collection} ${id}`)),
  ),
  keepOnly: (_number: number, collection: string, ids: string[]) => {
    for (const file of files)
      if (file.startsWith(`${collection} `) && !ids.includes(file.split(' ')[1])) files.delete(file)
    return Promise.resolve()
  },
  prune: () => Promise.resolve(),
}
vi.mock('comlink', () => ({ proxy: (x: unknown) => x, wrap: () => copy }))
vi.stubGlobal('Worker', class {})
vi.stubGlobal('navigator', { storage: { getDirectory: () => undefined } })

let logbook: OpenedLogbook
beforeEach(async () => {
  await emptyBrowser()
  await openLogbook()
  logbook = await importLogbook(demoLike('a', 'b'), 'replace')
  files.clear()
  mark = null
})

it('copies every record once and sweeps what is gone', async () => {
  files.add('runs gone')
  await copyAll(() => logbook)
  expect([...files].sort()).toEqual(['devices d', 'runs a', 'runs b', 'sources s'])
  expect(mark).toMatchObject({ number: logbook.pointer.number, revision: logbook.revision })
  copy.put.mockClear()
  await copyAll(() => logbook)
  expect(copy.put).not.toHaveBeenCalled()
})

it('leaves alone what another tab keeps meanwhile', async () => {
  let now = logbook
  copy.put.mockImplementationOnce((_number, collection, { id }) => {
    files.add(`${collection} ${id}`)
    files.add('runs theirs')
    const theirs = blankRun({
      id: 'theirs',
      deviceId: 'd',
      sourceId: 's',
      ink: 0,
      startedAt: '2026-03-01T19:00:00.000Z',
    })
    now = { ...now, lists: { ...now.lists, runs: [...now.lists.runs, theirs] } }
    return Promise.resolve(files)
  })
  await copyAll(() => now)
  expect([...files]).toContain('runs theirs')
  expect([...files]).toContain('runs b')
})

it('stops where an import makes another edition: that one is copied next', async () => {
  let now = logbook
  copy.put.mockImplementationOnce(() => {
    now = { ...now, pointer: { ...now.pointer, number: now.pointer.number + 1 } }
    return Promise.resolve(files)
  })
  await copyAll(() => now)
  expect(mark).toBeNull()
})
