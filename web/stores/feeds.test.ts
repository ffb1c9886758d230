import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Reading } from '@core/trace/trace'
import { listenTo } from './feeds'

/** The browser's stream, spoken to by hand. */
class FakeSource {
  static last: FakeSource
  onmessage: ((e: { data: string }) => void) | null = null
  onerror: (() => void) | null = null
  closed = false
  private listeners = new Map<string, (e: { data: string }) => void>()
  constructor(readonly url: string) {
    FakeSource.last = this
  }
  addEventListener(name: string, listener: (e: { data: string }) => void) {
    this.listeners.set(name, listener)
  }
  say(sample: object) {
    this.onmessage?.({ data: JSON.stringify(sample) })
  }
  emit(name: string, data: object) {
    this.listeners.get(name)?.({ data: JSON.stringify(data) })
  }
  close() {
    this.closed = true
  }
}

let now = 0
const heard: Reading[] = []
const told: string[] = []
const listen = () =>
  listenTo('scpi 1', {
    elapsed: () => now,
    readings: (r) => heard.push(...r),
    lost: (stream, why) => told.push(`lost ${stream}: ${why}`),
    back: (stream) => told.push(`back ${stream}`),
  })

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', FakeSource)
  now = 100
  heard.length = 0
  told.length = 0
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('an instrument’s stream', () => {
  it('keeps the instrument’s own steps on the lane’s clock, whenever its words arrive', () => {
    listen()
    expect(FakeSource.last.url).toBe('/api/instruments/scpi%201/stream')
    FakeSource.last.say({ t: 7, voltage: 9, status: 'Charging' })
    now = 103.7
    FakeSource.last.say({ t: 8, voltage: 9.1 })
    FakeSource.last.say({ t: 9, voltage: 9.2 })
    expect(heard).toEqual([
      { t: 100, voltage: 9, stream: 'scpi 1' },
      { t: 101, voltage: 9.1, stream: 'scpi 1' },
      { t: 102, voltage: 9.2, stream: 'scpi 1' },
    ])
  })

  it('says once that it is lost, fills nothing in, and stands anew on the clock when it is back', () => {
    listen()
    FakeSource.last.say({ t: 0, current: 1 })
    FakeSource.last.emit('failed', { reason: 'the lead came off' })
    FakeSource.last.onerror?.()
    now = 160
    FakeSource.last.say({ t: 0, current: 2 })
    expect(told).toEqual(['lost scpi 1: the lead came off', 'back scpi 1'])
    expect(heard.map((r) => r.t)).toEqual([100, 160])
  })

  it('is lost when it falls silent, though its line stands', () => {
    listen()
    FakeSource.last.say({ t: 0, current: 1 })
    vi.advanceTimersByTime(7000)
    expect(told).toEqual(['lost scpi 1: it fell silent'])
  })

  it('is silent for good once unplugged', () => {
    const unplug = listen()
    unplug()
    vi.advanceTimersByTime(60_000)
    expect(FakeSource.last.closed).toBe(true)
    expect(told).toEqual([])
  })
})
