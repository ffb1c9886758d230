import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { chargesIn, surely } from '@core/analysis/charges'
import { blankRun } from '@core/logbook/run'
import { traceFromReadings, type Trace } from '@core/trace/trace'
import { useLogbook } from './logbook'
import { useCorrections } from './corrections'
import { openWith } from './logbook.fixture'
import { useParting } from './parting'

/** What another tab does while the worker looks through the readings. */
let meanwhile = async () => {}
vi.mock('../workers/analysis', () => ({
  analysisWork: () => ({
    charges: async (trace: Trace) => {
      await meanwhile()
      return surely(chargesIn(trace))
    },
  }),
}))

/** An hour to 60 %, ten minutes to 20 % while nothing flows, and up again. */
const evening = traceFromReadings(
  Array.from({ length: 111 }, (_, m) => {
    if (m < 60) return { t: 60 * m, percent: 1 + m, power: 18 }
    return {
      t: 60 * m,
      ...(m < 70 ? { percent: 60 - 4 * (m - 60), power: 0 } : { percent: m - 50, power: 10 }),
    }
  }),
)
const states = () => useLogbook().runs.map((r) => [r.id === 'whole', r.state].join())

beforeEach(async () => {
  await openWith('a')
  const whole = blankRun({ id: 'whole', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' })
  await useLogbook().putRun(whole, evening)
})

it('makes a run of each charge and sets the whole aside; undone, only the whole is there', async () => {
  const logbook = useLogbook()
  const { ids, undo } = await useParting().part('whole')
  expect(ids.map((id) => logbook.run(id)?.startedAt)).toEqual([
    '2026-03-02T19:00:00.000Z',
    '2026-03-02T20:09:00.000Z',
  ])
  expect(new Set(ids.map((id) => logbook.run(id)?.ink)).size).toBe(2)
  expect(states().sort()).toEqual(['false,done', 'false,done', 'false,done', 'true,set-aside'])
  expect((await logbook.readingsOf('whole'))!.time).toHaveLength(111)
  await undo()
  expect(states().sort()).toEqual(['false,done', 'true,done'])
})

it('makes all of them or none, and nothing of a run of one charge', async () => {
  const logbook = useLogbook()
  const { transaction } = IDBDatabase.prototype
  let left = 2
  IDBDatabase.prototype.transaction = function (stores, mode, ...rest) {
    if (
      mode === 'readwrite' &&
      [...(typeof stores === 'string' ? [stores] : stores)].some((s) => s.startsWith('edition-')) &&
      left-- === 0
    )
      throw new DOMException('Full', 'QuotaExceededError')
    return transaction.call(this, stores, mode, ...rest)
  }
  await expect(useParting().part('whole')).rejects.toThrow()
  IDBDatabase.prototype.transaction = transaction
  await logbook.load()
  expect(states().sort()).toEqual(['false,done', 'true,done'])
  await expect(useParting().part('a')).rejects.toThrow('one charge alone')
  expect(logbook.runs).toHaveLength(2)
})

it('parts nothing that was put right while it was looked through', async () => {
  meanwhile = () => useCorrections().correct('whole', { row: 1, t: 60 }, 'percent', 3, 'misread')
  await expect(useParting().part('whole')).rejects.toThrow('changed meanwhile')
  meanwhile = async () => {}
  const { ids } = await useParting().part('whole')
  expect(useLogbook().run(ids[0])!.corrections).toMatchObject([{ row: 1, to: 3 }])
})
