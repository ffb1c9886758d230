import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { analyse } from '@core/analysis/analyse'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'
import { demoLike } from '../storage/storage.fixture'

vi.mock('../workers/analysis', () => ({ analysisWork: () => ({ analyse: vi.fn(analyse) }) }))

beforeEach(() => openWith('a', 'b', 'c'))

it('works out what a list shows without keeping the traces; a run that is looked at has its own at hand', async () => {
  const analyses = useAnalyses()
  await analyses.fill()
  expect(['a', 'b', 'c'].map((id) => analyses.headline(id) !== undefined)).toEqual([true, true, true])
  expect(useLogbook().traces.size).toBe(0)
  await analyses.ask('b')
  expect([...useLogbook().traces.keys()]).toEqual(['b'])
})

it('works out what is brought in or put right after all were gone through, and while they are', async () => {
  const analyses = useAnalyses()
  const logbook = useLogbook()
  const known = () => logbook.runs.filter(({ id }) => analyses.headline(id)).map(({ id }) => id)
  await analyses.fill()
  await logbook.takeLogbook(demoLike('d', 'e'), 'merge')
  await vi.waitFor(() => expect(known()).toEqual(['a', 'b', 'c', 'd', 'e']))
  const device = logbook.devices[0]
  await logbook.put('devices', { ...device, claims: '50 % in 25 min' }, device)
  expect(known()).toEqual([])
  await logbook.takeLogbook(demoLike('f'), 'merge')
  await vi.waitFor(() => expect(known()).toHaveLength(6))
})
