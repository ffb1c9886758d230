import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { keptPutBack } from '../storage/benchLists'
import { emptyBrowser } from '../storage/storage.fixture'
import { usePutBack } from './putBack'

beforeEach(async () => {
  vi.stubGlobal('navigator', {})
  await emptyBrowser()
  setActivePinia(createPinia())
})

it('ticks off both of two things ticked at once', async () => {
  await keptPutBack.change(() => ['flight mode', 'screen', 'apps'])
  const putBack = usePutBack()
  await putBack.load()
  await Promise.all([putBack.done('flight mode'), putBack.done('apps')])
  expect(putBack.texts).toEqual(['screen'])
  expect(await keptPutBack.load()).toEqual(['screen'])
})

it('brings nothing back that another tab ticked off', async () => {
  await keptPutBack.change(() => ['flight mode', 'screen', 'apps'])
  const here = usePutBack()
  await here.load()
  setActivePinia(createPinia())
  const there = usePutBack()
  await there.load()
  await there.done('flight mode')
  await here.done('apps')
  expect(await keptPutBack.load()).toEqual(['screen'])
})
