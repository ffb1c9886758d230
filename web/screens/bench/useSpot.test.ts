import { expect, it, vi } from 'vitest'
import { useSpot } from './useSpot'

const lane = {
  setup: { runId: 'r', stop: { kind: 'duration', seconds: 300 }, planned: null, feed: { kind: 'hand' } },
  count: 0,
  elapsedS: 300,
  state: { readings: [] as { t: number; counterWh: number }[] },
}
const said: string[] = []
/** How the bench answers a run that is to be kept, once it does. */
let answer!: (kept: boolean) => void
const bench = {
  lanes: [lane],
  note: (_: unknown, values: { counterWh: number }) => {
    lane.count++
    lane.state.readings.push({ t: 300, ...values })
    return Promise.resolve()
  },
  finish: () =>
    new Promise((resolve, reject) => {
      answer = (kept) => (kept ? resolve({ sourceId: 's' }) : reject(new Error('The disk is full.')))
    }),
}
vi.mock('../../stores/bench', () => ({ useBench: () => bench }))
vi.mock('../../stores/logbook', () => ({
  useLogbook: () => ({ runs: [], source: () => ({ name: 'Hawser 23' }) }),
}))
vi.mock('../../stores/notices', () => ({
  useNotices: () => ({ say: (text: string) => said.push(text), fail: (e: Error) => said.push(e.message) }),
}))
vi.mock('./useDoubt', () => ({ useDoubt: () => () => null }))

it('carries out a press that comes while the store still refuses the one before', async () => {
  const spot = useSpot()
  const levels: string[] = []
  const press = () => spot.keep((level) => levels.push(level))
  spot.typed.counterWh = '0.905'
  const first = press()
  await vi.waitFor(() => expect(lane.state.readings).toHaveLength(1))
  Object.assign(spot.typed, { counterWh: '0.91', percent: '20' })
  await press()
  answer(false)
  await vi.waitFor(() => expect(lane.state.readings.map((r) => r.counterWh)).toEqual([0.905, 0.91]))
  expect(said).toEqual(['The disk is full.'])
  answer(true)
  await first
  expect([said[1], levels]).toEqual(['Hawser 23 is on record.', ['20']])
})
