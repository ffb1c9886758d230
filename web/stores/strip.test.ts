import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { checklistFor } from '@core/protocol/checklist'
import { SCHOOLS } from '@core/protocol/schools'
import { loadStrip } from '../storage/journal'
import { useBench } from './bench'
import { NO_HEAT } from './lane'
import { MOST_LANES, useStrip, type RiggedLane } from './strip'

class FakeWorker {
  onmessage: (() => void) | null = null
  terminate() {}
  postMessage() {}
  addEventListener() {}
}

const rigged = (): Omit<RiggedLane, 'id'> => ({
  choice: {
    deviceId: 'd',
    sourceId: 's',
    cableId: null,
    startPercent: 1,
    reading: { kind: 'every', seconds: 300 },
    stop: { kind: 'shown-full' },
    feed: { kind: 'hand' },
    planned: null,
    checklist: [],
    heat: NO_HEAT,
  },
  protocolName: 'From 1 % to full',
  items: checklistFor(
    SCHOOLS.find((p) => p.id === 'one-to-full')!,
    null,
  ),
})

beforeEach(() => {
  vi.stubGlobal('Worker', FakeWorker)
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')))
  setActivePinia(createPinia())
})

describe('the strip before the switch', () => {
  it('keeps answers over a reload, and takes the start level from the checklist', async () => {
    const strip = useStrip()
    await strip.add(rigged())
    const [lane] = strip.rigged
    const [level, rest] = lane.items
    await strip.answer(lane, level, 'done', 3)
    await strip.answer(lane, rest, 'skipped')
    const [stored] = await loadStrip<RiggedLane>()
    expect(stored.choice.startPercent).toBe(3)
    expect(stored.choice.checklist).toMatchObject([
      { id: 'start-level', value: 3, outside: true, answer: 'done' },
      { id: 'rest', answer: 'skipped' },
    ])
    await strip.answer(lane, rest)
    expect(strip.openItems(lane).map((i) => i.id)).toContain('rest')
  })

  it('starts all clocks at one moment, and puts what nobody answered on record as skipped', async () => {
    const strip = useStrip()
    const bench = useBench()
    await strip.add(rigged())
    await strip.add(rigged())
    await strip.answer(strip.rigged[0], strip.rigged[0].items[1], 'done')
    await strip.powerOn()
    expect(bench.lanes).toHaveLength(2)
    expect(new Set(bench.lanes.map((l) => l.setup.startedAtMs)).size).toBe(1)
    expect(new Set(bench.lanes.map((l) => l.setup.ink)).size).toBe(2)
    const answers = bench.lanes[0].setup.checklist
    expect(answers.filter((a) => a.answer === 'done').map((a) => a.id)).toEqual(['rest'])
    expect(answers).toHaveLength(rigged().items.length)
    expect(await loadStrip()).toEqual([])
  })

  it('holds eight lanes and says so to a ninth', async () => {
    const strip = useStrip()
    for (let i = strip.rigged.length; i < MOST_LANES; i++) await strip.add(rigged())
    await expect(strip.add(rigged())).rejects.toThrow('The strip has 8 lanes, and all are taken.')
  })
})
