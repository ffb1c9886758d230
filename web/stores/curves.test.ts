import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { analyse } from '@core/analysis/analyse'
import type { Run } from '@core/logbook/run'
import { useCurves } from './curves'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'
import { useSpells } from './spells'
import { useTelling } from './telling'

const made = vi.hoisted(() => vi.fn(() => ({ origin: 'run' })))
vi.mock('../workers/analysis', () => ({ analysisWork: () => ({ analyse: vi.fn(analyse) }) }))
vi.mock('../workers/plan', () => ({ planWork: () => ({ acceptance: made }) }))

const load: Run['events'][number] = { t: 60, kind: 'load-start', text: 'Chart plotting' }

beforeEach(() => openWith('a', 'b'))

it('learns what a device takes, and how much arrives, from no run in which it worked meanwhile', async () => {
  const logbook = useLogbook()
  const { deviceId } = logbook.run('a')!
  await logbook.changeRun('a', () => ({ events: [load], state: 'done' }))
  await logbook.changeRun('b', () => ({ events: [load], state: 'done' }))
  expect(useTelling().ofCharging).toEqual([])
  expect(await useCurves().curveOf(deviceId)).toBeNull()
  expect(made).not.toHaveBeenCalled()
  await logbook.changeRun('b', () => ({ events: [] }))
  expect(useTelling().ofCharging.map(({ id }) => id)).toEqual(['b'])
  expect(await useCurves().curveOf(deviceId)).not.toBeNull()
  expect(['a', 'b'].map((id) => useSpells().isByItself(logbook.run(id)!))).toEqual([false, true])
})
