import { beforeEach, expect, it, vi } from 'vitest'
import { asWritten, writeFigures } from '@core/words/figures'
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

it('takes a temperature in the unit that the reader prefers, and keeps it in °C', async () => {
  const warm = {
    ...(lane as object),
    setup: { runId: 'r', feed: { kind: 'hand' }, heat: { places: ['back'] } },
  }
  const entry = useEntry(
    () => warm as never,
    () => 600,
  )
  const note = async (text: string) => {
    entry.degrees.back = text
    const done = entry.note()
    await vi.waitFor(() => expect(noted).toHaveLength(1))
    stored()
    await done
    return noted.pop()
  }
  writeFigures({ comma: true, fahrenheit: true })
  expect(await note('104')).toEqual({ temperatures: { back: 40 } })
  expect(await note('76,1')).toEqual({ temperatures: { back: 24.5 } })
  entry.degrees.back = '400'
  expect(await entry.note()).toBe(false)
  // Words are in °C; a field writes them as the reader does.
  expect(asWritten(entry.errors.value.back)).toMatch(/at most 302\s°F/)
  expect(noted).toEqual([])
  writeFigures({ comma: false, fahrenheit: false })
  expect(await note('40.5')).toEqual({ temperatures: { back: 40.5 } })
})
