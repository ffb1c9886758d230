import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { listenTo as Listen } from './instrumentStream'

/** The browser's stream, spoken to by hand. */
class FakeSource {
  static all: FakeSource[] = []
  static readonly OPEN = 1
  static readonly CLOSED = 2
  readyState = 1
  onopen: (() => void) | null = null
  onmessage: ((e: { data: string }) => void) | null = null
  onerror: (() => void) | null = null
  private listeners = new Map<string, (e: { data: string }) => void>()
  constructor(readonly url: string) {
    FakeSource.all.push(this)
  }
  addEventListener(name: string, listener: (e: { data: string }) => void) {
    this.listeners.set(name, listener)
  }
  say(id: string, sample: object) {
    this.onmessage?.({ data: JSON.stringify({ id, sample }) })
  }
  fail(id: string, reason: string) {
    this.listeners.get('failed')?.({ data: JSON.stringify({ id, reason }) })
  }
  break(readyState: number) {
    this.readyState = readyState
    this.onerror?.()
  }
  close() {
    this.readyState = 2
  }
}

const asked: { url: string; ids: string[] }[] = []
const told: string[] = []
let status = 200
let listenTo: typeof Listen
const listen = (id: string) =>
  listenTo(id, {
    sample: (s) => told.push(`${id} ${s.t}`),
    lost: (why) => told.push(`${id} lost: ${why}`),
  })

beforeEach(async () => {
  vi.useFakeTimers()
  vi.resetModules()
  FakeSource.all = []
  asked.length = told.length = 0
  status = 200
  vi.stubGlobal('EventSource', FakeSource)
  vi.stubGlobal('fetch', (url: string, { body }: { body: string }) => {
    asked.push({ url, ids: (JSON.parse(body) as { ids: string[] }).ids })
    return Promise.resolve({ ok: status === 200, status })
  })
  ;({ listenTo } = await import('./instrumentStream'))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the stream of a tab', () => {
  it('is one for all its instruments, and says which are wanted as they come and go', async () => {
    const stops = Array.from({ length: 9 }, (_, i) => listen(`m${i}`))
    FakeSource.all[0].onopen?.()
    await vi.advanceTimersByTimeAsync(0)
    expect(FakeSource.all).toHaveLength(1)
    expect(asked.at(-1)!.ids).toHaveLength(9)
    expect(asked.at(-1)!.url).toBe(FakeSource.all[0].url)
    FakeSource.all[0].say('m3', { t: 7 })
    FakeSource.all[0].fail('m4', 'the lead came off')
    expect(told).toEqual(['m3 7', 'm4 lost: the lead came off'])
    stops.forEach((stop) => stop())
    expect(FakeSource.all[0].readyState).toBe(FakeSource.CLOSED)
  })

  it('that ended with no stream at all is asked for again, and a cut one is left to the browser', async () => {
    listen('m')
    FakeSource.all[0].break(0)
    await vi.advanceTimersByTimeAsync(5000)
    expect(FakeSource.all).toHaveLength(1)
    FakeSource.all[0].break(FakeSource.CLOSED)
    await vi.advanceTimersByTimeAsync(1500)
    expect(FakeSource.all).toHaveLength(2)
    expect(told).toEqual(['m lost: the line was cut', 'm lost: the line was cut'])
  })

  it('that the server no longer knows is begun anew', async () => {
    listen('m')
    status = 404
    FakeSource.all[0].onopen?.()
    await vi.advanceTimersByTimeAsync(1500)
    expect(FakeSource.all.length).toBeGreaterThan(1)
  })
})
