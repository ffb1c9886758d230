import { beforeEach, expect, it, vi } from 'vitest'
import { useEntry } from './useEntry'

const noted: unknown[] = []
let stored = () => {}
const bench = {
  alarm: '',
  note: (_: unknown, values: object) => {
    noted.push(values)
    return new Promise((resolve) => {
      stored = () => resolve({ noted: { t: 60, ...values }, stored: true })
    })
  },
}
vi.mock('../../stores/bench', () => ({ useBench: () => bench }))
vi.mock('../../stores/lane', () => ({ elapsedAt: () => 60 }))
vi.mock('../../stores/logbook', () => ({ useLogbook: () => ({ device: () => undefined, nameOf: () => '' }) }))
vi.mock('../../stores/expected', () => ({ useExpected: () => () => undefined }))

const lane = {
  setup: { runId: 'r', feed: { kind: 'hand' }, heat: { places: [] } },
  state: { levels: { last: null }, lastWatts: NaN },
  pending: [],
} as never
const entryOf = () =>
  useEntry(
    () => lane,
    () => null,
  )
beforeEach(() => void (noted.length = 0))

it('keeps what is typed while the reading before is being stored, and notes it once Enter was pressed', async () => {
  const entry = entryOf()
  Object.assign(entry.typed, { percent: '4', power: '9' })
  const first = entry.note()
  entry.typed.percent = '5'
  expect(await entry.note()).toBe(false)
  stored()
  await vi.waitFor(() => expect(noted).toHaveLength(2))
  stored()
  expect(await first).toBe(true)
  expect(noted).toEqual([{ percent: 4, power: 9 }, { percent: 5 }])
  expect(entry.typed.percent).toBe('')
})

it('passes the turn on where Enter was only pressed twice', async () => {
  const entry = entryOf()
  entry.typed.percent = '4'
  const first = entry.note()
  void entry.note()
  stored()
  expect(await first).toBe(true)
  expect(entry.errors.value).toEqual({})
  expect(noted).toHaveLength(1)
})
