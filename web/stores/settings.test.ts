import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { keptSettings } from '../storage/settings'
import { metaDrawer } from '../storage/database'
import { emptyBrowser } from '../storage/storage.fixture'
import { useSettings } from './settings'

vi.mock('@vueuse/core', () => ({ usePreferredDark: () => ({ value: false }) }))

beforeEach(async () => {
  vi.stubGlobal('navigator', {})
  await emptyBrowser()
  setActivePinia(createPinia())
})
/** What was changed is stored in the order in which it was. */
const stored = () => keptSettings.change({})

it('keeps what another tab preferred meanwhile, and takes it over', async () => {
  const here = useSettings()
  await here.load()
  setActivePinia(createPinia())
  const there = useSettings()
  await there.load()
  there.degrees = 'F'
  await stored()
  here.theme = 'night'
  expect(here.themeName).toBe('night')
  expect(await stored()).toMatchObject({ theme: 'night', degrees: 'F' })
  expect(here.degrees).toBe('F')
  // A page hears nothing of what itself says: another one says it here.
  new BroadcastChannel('inkpath-log-settings').postMessage('settings')
  await vi.waitFor(() => expect(there.theme).toBe('night'))
})

it('keeps the last of what was typed in quick succession', async () => {
  const settings = useSettings()
  await settings.load()
  for (const typed of ['E', 'EU', 'EUR']) {
    settings.currency = typed
    await nextTick()
  }
  expect((await stored()).currency).toBe('EUR')
  expect(settings.currency).toBe('EUR')
})

it('takes nothing from the store that it does not know', async () => {
  await metaDrawer.setItem('settings', {
    theme: 'neon',
    sound: 'loud',
    hours: 7,
    currency: 'x'.repeat(99),
    degrees: 'F',
  })
  const settings = useSettings()
  await settings.load()
  expect([settings.theme, settings.sound, settings.hours, settings.degrees]).toEqual([
    'auto',
    true,
    'auto',
    'F',
  ])
  expect(settings.currency).toHaveLength(12)
})
