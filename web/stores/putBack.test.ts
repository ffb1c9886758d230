import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { loadPutBack, savePutBack } from '../storage/benchSession'
import { emptyBrowser } from '../storage/storage.fixture'
import { usePutBack } from './putBack'

beforeEach(async () => {
  vi.stubGlobal('navigator', {})
  await emptyBrowser()
  setActivePinia(createPinia())
})

it('ticks off both of two things ticked at once', async () => {
  await savePutBack(['flight mode', 'screen', 'apps'])
  const putBack = usePutBack()
  await putBack.load()
  await Promise.all([putBack.done('flight mode'), putBack.done('apps')])
  expect(putBack.texts).toEqual(['screen'])
  expect(await loadPutBack()).toEqual(['screen'])
})
