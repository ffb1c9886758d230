import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { saveBeat } from '../storage/journal'
import { useBenchClock } from './benchClock'

/** A machine: its wall clock, its page clock and its clock since start-up, each moved by hand. */
const machine = { wall: 0, page: 0, uptime: 0, server: true }
function pass(seconds: number) {
  machine.wall += seconds * 1000
  machine.page += seconds * 1000
  machine.uptime += seconds
}

beforeEach(() => {
  Object.assign(machine, { wall: Date.parse('2026-03-02T19:00:00Z'), page: 1000, uptime: 5000, server: true })
  vi.spyOn(Date, 'now').mockImplementation(() => machine.wall)
  vi.spyOn(performance, 'now').mockImplementation(() => machine.page)
  vi.stubGlobal('fetch', () =>
    machine.server
      ? Promise.resolve({ ok: true, json: () => Promise.resolve({ uptimeS: machine.uptime }) })
      : Promise.reject(new TypeError('offline')),
  )
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

async function started() {
  const slept: number[] = []
  let anchored = 0
  const clock = useBenchClock(
    (ms) => slept.push(ms),
    () => anchored++,
  )
  await clock.setAnchor()
  const settle = () => vi.waitFor(() => expect(anchored).toBeGreaterThan(0))
  return { clock, slept, settle }
}

describe('while the page lives', () => {
  it('takes a clock that was set out of the steady time, and names it', async () => {
    const { clock, slept, settle } = await started()
    pass(600)
    const steady = clock.steadyNow()
    machine.wall -= 3_600_000
    clock.watch(machine.page)
    await settle()
    expect(clock.steadyNow()).toBe(steady)
    expect(slept).toEqual([])
    expect(clock.notice.value).toBe(
      'This machine’s clock was moved back by 60 min. The runs’ clocks did not change.',
    )
  })

  it('counts a sleep, during which the page’s clock stood still', async () => {
    const { clock, slept, settle } = await started()
    pass(60)
    machine.wall += 1_200_000
    machine.uptime += 1200
    clock.watch(machine.page)
    await settle()
    expect(slept).toEqual([1_200_000])
    expect(clock.shift()).toBe(0)
    expect(clock.notice.value).toMatch(/slept for 20 min/)
  })

  it('tells both apart when they come together', async () => {
    const { clock, slept, settle } = await started()
    machine.wall += 1_200_000 - 3_600_000
    machine.uptime += 1200
    clock.watch(machine.page)
    await settle()
    expect(slept).toEqual([1_200_000])
    expect(clock.shift()).toBe(-3_600_000)
  })

  it('assumes a set clock where no server can tell, and lets drift be', async () => {
    machine.server = false
    const { clock, slept, settle } = await started()
    machine.wall += 1500
    clock.watch(machine.page)
    expect(clock.shift()).toBe(0)
    machine.wall += 600_000
    clock.watch(machine.page)
    await settle()
    expect(slept).toEqual([])
    expect(clock.shift()).toBeGreaterThanOrEqual(600_000)
  })
})

describe('after a restart', () => {
  it('finds by how much the clock was moved while the program was closed', async () => {
    const { clock } = await started()
    const anchor = clock.anchor()
    pass(900)
    machine.wall += 3_600_000
    const later = (await started()).clock
    await later.resume(anchor, 0)
    expect(later.shift()).toBe(3_600_000)
    expect(later.notice.value).toMatch(/moved forward by 60 min while the program was closed/)
    expect(later.steadyNow()).toBe(anchor.wallMs + 900_000)
  })

  it('falls back on the last sign of life when the machine was started anew', async () => {
    const { clock } = await started()
    const anchor = clock.anchor()
    await saveBeat(machine.wall + 60_000)
    pass(60)
    machine.uptime = 20
    machine.wall -= 1_800_000
    const later = (await started()).clock
    await later.resume(anchor, 0)
    expect(later.shift()).toBe(-1_800_000)
    expect(later.notice.value).toMatch(/set back while the program was closed/)
  })
})
