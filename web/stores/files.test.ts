import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { writeLogbook } from '@core/formats/logbookJson'
import { importLogbook, openLogbook } from '../storage/logbookStorage'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'
import { useFiles } from './files'
import { importedRun } from './importedRun'
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

it('keeps a run of a file without a date as not dated, unless somebody says when it was made', () => {
  const given = { deviceId: 'd', sourceId: 's', cableId: null, meterId: null, startedAt: null, notes: '', fromS: 0 } // prettier-ignore
  const trace = { time: Float64Array.of(0, 300), percent: Float64Array.of(5, 11), temperatures: {} }
  const made = (said: string | null, ofFile: string | null) =>
    importedRun({ ...given, startedAt: said }, trace, ofFile, 'a.csv', useLogbook())
  const at = '2026-03-02T19:00:00.000Z'
  expect(made(null, null).dated).toBe(false)
  expect(made(at, null)).toMatchObject({ dated: true, startedAt: at })
  expect(made(null, at)).toMatchObject({ dated: true, startedAt: at })
})
