import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { MOST_LANES, rigByProtocol, type RiggedLane } from '@core/bench/strip'
import { SCHOOLS } from '@core/protocol/schools'
import { keptStrip } from '../storage/benchLists'
import { emptyBrowser } from '../storage/storage.fixture'
import { useStrip } from './strip'

const protocol = SCHOOLS.find((p) => p.id === 'one-to-full')!
const rigged = (plannedId: string) =>
  rigByProtocol({ deviceId: 'd', sourceId: 's', cableId: null, planned: { campaignId: 'c', plannedId } }, protocol, null) // prettier-ignore

beforeEach(async () => {
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')))
  await emptyBrowser()
  setActivePinia(createPinia())
})

it('keeps both of two answers given at once, over a reload too', async () => {
  const strip = useStrip()
  await strip.add(rigged('p'))
  const [lane] = strip.rigged
  const [level, rest, third] = lane.items
  await Promise.all([
    strip.answer(lane, level, 'done', 3),
    strip.answer(lane, rest, 'done'),
    strip.answer(lane, third, 'skipped'),
  ])
  const [stored] = await keptStrip.load()
  expect(stored.choice.checklist.map((a) => a.id).sort()).toEqual([level.id, rest.id, third.id].sort())
  expect(stored.choice.start).toEqual({ percent: 3, read: true })
  expect(strip.openItems(strip.rigged[0])).toHaveLength(lane.items.length - 3)
})

it('holds eight lanes and says so to a ninth', async () => {
  const strip = useStrip()
  for (let i = 0; i < MOST_LANES; i++) await strip.add(rigged(`p${i}`))
  await expect(strip.add(rigged('p9'))).rejects.toThrow('The strip has 8 lanes, and all are taken.')
})

it('forgets no lane that another tab puts on or takes off meanwhile', async () => {
  const here = useStrip()
  await here.add(rigged('p1'))
  setActivePinia(createPinia())
  const there = useStrip()
  await there.add(rigged('p2'))
  await here.add(rigged('p3'))
  await there.takeOff((await keptStrip.load())[0].id)
  const planned = (lanes: RiggedLane[]) => lanes.map((r) => r.choice.planned!.plannedId)
  expect(planned(await keptStrip.load())).toEqual(['p2', 'p3'])
  expect(planned(there.rigged)).toEqual(['p2', 'p3'])
  await here.load()
  expect(planned(here.rigged)).toEqual(['p2', 'p3'])
})
