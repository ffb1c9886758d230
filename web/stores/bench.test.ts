import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { watch } from 'vue'
import { readLogbook, writeLogbook } from '@core/formats/logbookJson'
import { keptPutBack } from '../storage/benchLists'
import { loadSession, saveSession } from '../storage/benchSession'
import { journalDrawer, metaDrawer } from '../storage/database'
import { importLogbook, openLogbook, readWhole } from '../storage/logbookStorage'
import { readJournal } from '../storage/journal'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'
import { useBench } from './bench'
import { elapsedAt } from './lane'
import { useLogbook } from './logbook'
import { byHand as choice, stubMetronome } from './tabs.fixture'

/** Strikes the metronome. */
let tick: () => void = () => undefined

/** A machine: its wall clock, its page clock and its clock since start-up, each moved by hand. */
const machine = { wall: 0, page: 0, uptime: 0, boot: 'b1', server: true }
function pass(seconds: number) {
  machine.wall += seconds * 1000
  machine.page += seconds * 1000
  machine.uptime += seconds
}

/** The program opened in this browser. */
async function open() {
  setActivePinia(createPinia())
  await useLogbook().load()
  const bench = useBench()
  await bench.resume()
  return bench
}
const percents = async (runId: string) =>
  (await readJournal(runId)).lines.flatMap((l) =>
    l.kind === 'readings' ? l.readings.map((r) => r.percent) : [],
  )

beforeEach(async () => {
  vi.restoreAllMocks()
  await emptyBrowser()
  await openLogbook()
  await importLogbook(demoLike(), 'replace')
  Object.assign(machine, {
    wall: Date.parse('2026-03-02T19:00:00Z'),
    page: 1000,
    uptime: 5000,
    boot: 'b1',
    server: true,
  })
  vi.spyOn(Date, 'now').mockImplementation(() => machine.wall)
  vi.spyOn(performance, 'now').mockImplementation(() => machine.page)
  stubMetronome((strike) => (tick = strike))
  vi.stubGlobal('navigator', {})
  vi.stubGlobal('fetch', () =>
    machine.server
      ? Promise.resolve({
          ok: true,
          json: () => Promise.resolve({ uptimeS: machine.uptime, bootId: machine.boot }),
        })
      : Promise.reject(new TypeError('offline')),
  )
})
afterEach(() => vi.unstubAllGlobals())

describe('starting a lane', () => {
  it('reads the stored session first: lanes of a tab that is gone are never written over', async () => {
    const bench = await open()
    const idle = await (async () => {
      setActivePinia(createPinia())
      await useLogbook().load()
      const other = useBench()
      await other.resume()
      return other
    })()
    const first = await bench.start(choice())
    await bench.note(first, { percent: 9 })
    // The first tab is killed; the other, which never saw its lane, starts one of its own.
    const second = await idle.start(choice())
    expect(idle.lanes.map((l) => l.setup.runId)).toEqual([first.setup.runId, second.setup.runId])
    expect((await loadSession()).lanes).toHaveLength(2)
    expect(idle.lanes[0].state.levels.last?.percent).toBe(9)
  })

  it.each([
    ['its journal', journalDrawer],
    ['the session', metaDrawer],
  ])('leaves nothing behind when the browser refuses %s', async (_what, drawer) => {
    const bench = await open()
    const full = new DOMException('full', 'QuotaExceededError')
    const refuse = vi.spyOn(drawer, 'setItem').mockRejectedValue(full)
    await expect(bench.start(choice())).rejects.toThrow('storage is full')
    refuse.mockRestore()
    expect(bench.lanes).toEqual([])
    expect((await loadSession()).lanes).toEqual([])
    expect(await journalDrawer.keys()).toEqual([])
    expect((await open()).lanes).toEqual([])
  })

  it('starts all lanes of the strip at one moment, each with an ink of its own', async () => {
    const bench = await open()
    await bench.startTogether([choice(), choice()])
    expect(new Set(bench.lanes.map((l) => l.setup.startedAtMs)).size).toBe(1)
    expect(new Set(bench.lanes.map((l) => l.setup.ink)).size).toBe(2)
    await expect(bench.startTogether(Array.from({ length: 7 }, () => choice()))).rejects.toThrow('8 lanes')
  })

  it('stands at power-on with all that was read then, from the moment at which the lane is seen', async () => {
    const bench = await open()
    let seen: unknown
    const off = watch(
      () => bench.lanes,
      ([lane]) => (seen = [...(lane?.state.readings ?? [])]),
      { flush: 'sync' },
    )
    const lane = await bench.start(choice({ start: { percent: 20, read: true } }), { counterWh: 12.4 })
    off()
    const atStart = [{ t: 0, percent: 20, counterWh: 12.4, nominal: 0 }]
    expect([seen, [...lane.state.readings]]).toEqual([atStart, atStart])
    const counted = await bench.start(choice({ start: { percent: 1, read: false } }), { counterWh: 3 })
    expect([...counted.state.readings]).toEqual([{ t: 0, counterWh: 3, nominal: 0 }])
  })

  it('stores no start level that nobody read', async () => {
    const bench = await open()
    const lane = await bench.start(choice({ start: { percent: 1, read: false } }))
    expect(await percents(lane.setup.runId)).toEqual([])
    pass(300)
    await bench.note(lane, { percent: 4 })
    const run = await bench.finish(lane, { spoilt: false, reason: '' })
    expect([run.startPercent, run.state]).toEqual([null, 'short'])
  })
})

describe('a reading the browser refuses to store', () => {
  it('says that it is not stored, stays in memory in its order, and is stored once it can be', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    const refuse = vi
      .spyOn(journalDrawer, 'setItem')
      .mockRejectedValue(new DOMException('full', 'QuotaExceededError'))
    pass(300)
    expect(await bench.note(lane, { percent: 11 })).toMatchObject({ stored: false, noted: { t: 300 } })
    pass(300)
    expect((await bench.note(lane, { percent: 17 })).stored).toBe(false)
    expect(bench.alarm).toMatch(/storage is full.*2 entries are in memory only/)
    expect(lane.state.levels.last?.percent).toBe(17)
    expect(await bench.retry()).toBe(false)
    refuse.mockRestore()
    expect(await bench.retry()).toBe(true)
    expect(bench.alarm).toBe('')
    expect(await percents(lane.setup.runId)).toEqual([5, 11, 17])
  })

  it('is written once, however many are noted at the same moment', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    await Promise.all(Array.from({ length: 25 }, (_, i) => bench.note(lane, { percent: 6 + i })))
    expect(await percents(lane.setup.runId)).toEqual([5, ...Array.from({ length: 25 }, (_, i) => 6 + i)])
  })
})

describe('coming back', () => {
  it('finds every reading and the right clock, after a restart of the machine too', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    await expect.poll(async () => (await loadSession()).anchor?.bootId).toBe('b1')
    pass(300)
    await bench.note(lane, { percent: 11 })
    // The machine restarts, and is up for longer than it had been at power-on: 75 minutes have passed, not ten.
    pass(75 * 60 - 300)
    machine.page = 500
    machine.uptime = 5600
    machine.boot = 'b2'
    const again = await open()
    expect(again.lanes).toHaveLength(1)
    expect(elapsedAt(again.lanes[0], machine.page)).toBeCloseTo(75 * 60, 3)
    expect([...again.lanes[0].state.readings].map((r) => r.percent)).toEqual([5, 11])
    expect(again.clockNotice).toMatch(/restarted while lanes ran/)
  })

  it('never replays a simulation that the journal has already', async () => {
    const bench = await open()
    const feed = { kind: 'simulated' as const, seed: 1, speed: 60 }
    const lane = await bench.start(choice({ feed, reading: { kind: 'meter', seconds: 1 } }))
    const { runId } = lane.setup
    for (let i = 0; i < 8; i++) {
      pass(0.25)
      tick()
    }
    await expect.poll(async () => (await readJournal(runId)).lines.length).toBeGreaterThan(7)
    const again = await open()
    for (let i = 0; i < 8; i++) {
      pass(0.25)
      tick()
    }
    await expect.poll(() => again.lanes[0].state.lastT).toBe(240)
    const times = [...again.lanes[0].state.readings].map((r) => r.t)
    expect(new Set(times).size).toBe(times.length)
    expect(times).toEqual([...times].sort((a, b) => a - b))
  })

  it('counts sleep, and stamps what is noted in doubt by the clock as it turns out to be', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    await expect.poll(async () => (await loadSession()).anchor).not.toBeNull()
    pass(60)
    // Twenty minutes asleep: the page’s clock stood still. The reading is typed before any tick has seen it.
    machine.wall += 1_200_000
    machine.uptime += 1200
    const { noted } = await bench.note(lane, { percent: 30 })
    expect(noted.t).toBeCloseTo(1260, 1)
    expect(bench.clockNotice).toMatch(/slept for 20 min/)
    machine.wall -= 3_600_000
    expect((await bench.note(lane, { percent: 31 })).noted.t).toBeCloseTo(1260, 1)
  })
})

describe('ending a lane', () => {
  it('keeps the run, then what must be put back, and lets the journal go last', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    pass(300)
    await bench.note(lane, { percent: 11 })
    const run = await bench.finish(lane, { spoilt: true, reason: 'the meter fell off' })
    expect(run).toMatchObject({ state: 'spoilt', provenance: 'hand', startedAt: '2026-03-02T19:00:00.000Z' })
    expect(bench.lanes).toEqual([])
    expect(await journalDrawer.keys()).toEqual([])
    const { logbook } = await readWhole()
    expect(readLogbook(writeLogbook(logbook, 'now')).runs).toHaveLength(1)
  })

  it('is finished at the next start when it was cut off after the run was kept', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    pass(300)
    await bench.note(lane, { percent: 11 })
    const session = await loadSession()
    await bench.finish(lane, { spoilt: false, reason: '' })
    // As if killed before the session was written: the lane stands in it still.
    await saveSession(session)
    const again = await open()
    expect(again.lanes).toEqual([])
    expect((await loadSession()).lanes).toEqual([])
    expect((await readWhole()).logbook.runs).toHaveLength(1)
    expect(await keptPutBack.load()).toEqual([])
  })

  it('leaves nothing behind when it was cut off before the journal went', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    pass(300)
    await bench.note(lane, { percent: 11 })
    const drop = vi.spyOn(journalDrawer, 'removeItem').mockRejectedValue(new Error('killed'))
    await bench.finish(lane, { spoilt: false, reason: '' }).catch(() => undefined)
    drop.mockRestore()
    expect((await loadSession()).lanes).toEqual([])
    expect(await journalDrawer.keys()).not.toEqual([])
    await open()
    await expect.poll(() => journalDrawer.keys()).toEqual([])
  })

  it('goes on as a lane when the browser refuses the run', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    pass(300)
    await bench.note(lane, { percent: 11 })
    const refuse = vi
      .spyOn(metaDrawer, 'setItem')
      .mockRejectedValue(new DOMException('full', 'QuotaExceededError'))
    await expect(bench.finish(lane, { spoilt: false, reason: '' })).rejects.toThrow('storage is full')
    refuse.mockRestore()
    expect(bench.lanes).toHaveLength(1)
    await bench.note(lane, { percent: 17 })
    await bench.finish(lane, { spoilt: false, reason: '' })
    expect((await readWhole()).logbook.runs[0].trace.time).toHaveLength(3)
  })

  it('puts gear back that left the shelf while the lane ran, so that the run can be read', async () => {
    const bench = await open()
    const lane = await bench.start(choice())
    pass(300)
    await bench.note(lane, { percent: 11 })
    const other = demoLike()
    other.devices[0].id = 'other'
    await useLogbook().takeLogbook(other, 'replace')
    await bench.finish(lane, { spoilt: false, reason: '' })
    const opened = await openLogbook()
    expect(opened.apart).toEqual([])
    expect(opened.lists.devices.map((d) => d.id).sort()).toEqual(['d', 'other'])
  })

  it('makes no run where nothing was read; the lane can be taken off', async () => {
    const bench = await open()
    const lane = await bench.start(choice({ start: { percent: 1, read: false } }))
    await expect(bench.finish(lane, { spoilt: false, reason: '' })).rejects.toThrow(/Nothing was read/)
    await bench.takeOff(lane)
    expect((await loadSession()).lanes).toEqual([])
  })
})
