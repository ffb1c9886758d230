import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { writeLogbook } from '@core/formats/logbookJson'
import { importLogbook, openLogbook } from '../storage/logbookStorage'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'
import { useFiles } from './files'
import { useLogbook } from './logbook'

const open = async (file: Blob) => ({ logbook: await file.text() })
vi.mock('../workers/files', () => ({
  filesWork: () => ({ open }),
  stopFilesWork: () => undefined,
  toldByWorker: (f: unknown) => f,
}))

beforeEach(async () => {
  vi.stubGlobal('navigator', {})
  await emptyBrowser()
  await openLogbook()
  await importLogbook(demoLike('mine'), 'replace')
  setActivePinia(createPinia())
  await useLogbook().load()
})

it('takes a file once, however often it is asked to, so that undoing goes back to what was there', async () => {
  const [files, logbook] = [useFiles(), useLogbook()]
  await files.open(new File([writeLogbook(demoLike('theirs'), '2026-03-02T19:00:00Z')], 'theirs.json'))
  const taken = await Promise.all([files.takeLogbook('replace'), files.takeLogbook('replace')])
  expect(taken).toEqual([true, false])
  await logbook.undoEdition()
  expect(logbook.runs.map((r) => r.id)).toEqual(['mine'])
})
