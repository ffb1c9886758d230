import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { setupFixture } from '@core/bench/bench.fixture'
import { makeLane } from './lane'
import { plugIn, type FeedBench } from './laneFeeds'

const spoken = new Map<string, { sample(s: object): void; lost(why: string): void }>()
vi.mock('./instrumentStream', () => ({
  listenTo: (id: string, listener: never) => {
    spoken.set(id, listener)
    return () => spoken.delete(id)
  },
}))

let page = 0
const bench: FeedBench = { settled: () => Promise.resolve(), watch: () => undefined, raise: () => undefined }
const lane = () =>
  makeLane(setupFixture({ feed: { kind: 'instruments', ids: ['meter'], simulated: false } }), 0)
const say = async (at: number, sample: object) => {
  page = at * 1000
  spoken.get('meter')!.sample(sample)
  await vi.advanceTimersByTimeAsync(0)
}
const times = (l: ReturnType<typeof lane>) => [...l.state.readings].map((r) => r.t)

beforeEach(() => {
  vi.useFakeTimers()
  vi.spyOn(performance, 'now').mockImplementation(() => page)
  page = 0
})

it('keeps the instrument’s own steps on the lane’s clock, whenever its words arrive', async () => {
  const l = lane()
  plugIn(l, bench)
  await say(100, { t: 7, voltage: 9, status: 'Charging' })
  await say(103.7, { t: 8, voltage: 9.1 })
  await say(103.7, { t: 9, voltage: 1e9, current: 2 })
  expect(times(l)).toEqual([100, 101, 102])
  expect(l.state.readings.at(2)).toEqual({ t: 102, current: 2, stream: 'meter' })
})

it('says once that it is lost, fills nothing in, and stands anew on the clock when it is back', async () => {
  const l = lane()
  plugIn(l, bench)
  await say(100, { t: 50, current: 1 })
  spoken.get('meter')!.lost('the lead came off')
  spoken.get('meter')!.lost('the line was cut')
  expect(l.lost).toEqual({ meter: 'the lead came off' })
  await say(160, { t: 0, current: 2 })
  expect(times(l)).toEqual([100, 160])
  expect(l.state.events.map((e) => e.kind)).toEqual(['stream-lost', 'stream-back'])
})

it('files nothing early after the machine slept: the instrument’s clock stood still as well', async () => {
  const l = lane()
  plugIn(l, bench)
  await say(100, { t: 50, current: 1 })
  // Twenty minutes asleep: the lane’s clock is put right, and the stream is put anew on it.
  l.startedAtPage -= 1_200_000
  l.feed!.rebase()
  await say(101, { t: 51, current: 1 })
  expect(times(l)).toEqual([100, 1301])
})

it('is lost when it falls silent, and silent for good once unplugged', async () => {
  const l = lane()
  plugIn(l, bench)
  await say(1, { t: 0, current: 1 })
  await vi.advanceTimersByTimeAsync(7000)
  expect(l.lost.meter).toBe('it fell silent')
  l.feed!.stop()
  expect(spoken.size).toBe(0)
})
