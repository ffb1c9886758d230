import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { choice, openTab, prepareBrowser } from './tabs.fixture'

beforeEach(prepareBrowser)

it('shows a lane once its session is in storage, and not before: what is seen outlives a reload', async () => {
  const tab = await openTab()
  const { metaDrawer } = await import('../storage/database')
  const store = metaDrawer.setItem.bind(metaDrawer)
  let release = () => {}
  const held = new Promise<void>((resolve) => (release = resolve))
  const holding = vi.spyOn(metaDrawer, 'setItem').mockImplementation(async (key, value) => {
    if (key === 'bench') await held
    return store(key, value)
  })
  const starting = [tab.bench.start(choice({ kind: 'hand' })), tab.bench.start(choice({ kind: 'hand' }))]
  await vi.waitFor(() => expect(holding).toHaveBeenCalledWith('bench', expect.anything()))
  expect(tab.bench.lanes).toEqual([])
  release()
  await Promise.all(starting)
  holding.mockRestore()
  // Two that began at once are both of the session, whichever was stored last.
  const { loadSession } = await import('../storage/benchSession')
  const ids = tab.bench.lanes.map((lane) => lane.setup.runId)
  expect(ids).toHaveLength(2)
  expect((await loadSession()).lanes.map((lane) => lane.runId).sort()).toEqual([...ids].sort())
})
