import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { analyse } from '@core/analysis/analyse'
import { useAnalyses } from './analyses'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'

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
