import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { choice, openTab, prepareBrowser } from './tabs.fixture'

beforeEach(prepareBrowser)

it('a start that storage refuses lets the bench go: another tab may start', async () => {
  const first = await openTab()
  const { journalDrawer } = await import('../storage/database')
  const refuse = vi
    .spyOn(journalDrawer, 'setItem')
    .mockRejectedValue(new DOMException('full', 'QuotaExceededError'))
  await expect(first.bench.start(choice({ kind: 'hand' }))).rejects.toThrow('storage is full')
  refuse.mockRestore()
  const second = await openTab()
  await expect(second.bench.start(choice({ kind: 'hand' }))).resolves.toBeDefined()
})
