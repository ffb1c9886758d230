import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { importLogbook, openLogbook } from '../storage/logbookStorage'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'
import { useLogbook } from './logbook'

/** A browser whose logbook holds one run for each id, opened, without locks between tabs. */
export async function openWith(...ids: string[]): Promise<void> {
  vi.stubGlobal('navigator', {})
  await emptyBrowser()
  await openLogbook()
  await importLogbook(demoLike(...ids), 'replace')
  setActivePinia(createPinia())
  await useLogbook().load()
}
