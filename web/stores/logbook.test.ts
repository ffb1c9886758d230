import 'fake-indexeddb/auto'
import { beforeEach, expect, it } from 'vitest'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'

beforeEach(() => openWith('a', 'b'))

it('reads a trace once for all who ask for it at the same time, and keeps it only for those who show it', async () => {
  const logbook = useLogbook()
  const [look, another] = await Promise.all([logbook.readingsOf('a'), logbook.readingsOf('a')])
  expect(another).toBe(look)
  expect(logbook.traces.size).toBe(0)
  const [shown, beside] = await Promise.all([logbook.traceOf('b'), logbook.readingsOf('b')])
  expect(beside).toBe(shown)
  expect(logbook.traces.get('b')).toBe(shown)
})

it('gives whoever asks after a correction the corrected readings, though the old ones are still on their way', async () => {
  const logbook = useLogbook()
  const old = logbook.readingsOf('a')
  const trace = (await old)!
  const late = logbook.readingsOf('a')
  await logbook.putRun(logbook.run('a')!, { ...trace, percent: Float64Array.of(5, 12, 30) })
  expect((await late)!.percent![1]).toBeNaN()
  expect((await logbook.readingsOf('a'))!.percent![1]).toBe(12)
  expect((await logbook.traceOf('a'))!.percent![1]).toBe(12)
})
