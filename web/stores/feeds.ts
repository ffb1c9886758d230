import type { Reading } from '@core/trace/trace'

/** What the bridge's streams carry; see the server's instruments. */
interface Sample {
  t: number
  percent?: number
  voltage?: number
  current?: number
  batteryPower?: number
  temperatures?: Record<string, number>
}

export interface InstrumentInfo {
  id: string
  name: string
  kind: 'meter' | 'battery' | 'thermometer'
  simulated: boolean
}

/** The instruments the bridge can hear; none where the server does not answer. */
export async function listInstruments(): Promise<InstrumentInfo[]> {
  try {
    const response = await fetch('/api/instruments', { cache: 'no-store' })
    return response.ok ? ((await response.json()) as InstrumentInfo[]) : []
  } catch {
    return []
  }
}

export interface FeedHandlers {
  /** The lane's clock now, s. */
  elapsed(): number
  readings(readings: Reading[]): void
  lost(stream: string, why: string): void
  back(stream: string): void
}

/** A stream silent for this long is lost, even if its line still stands, ms. */
const SILENT_MS = 6000

/**
 * Listens to one instrument. Its readings keep the instrument's own steps; where its clock stands on the lane's is
 * fixed as the stream begins, and anew after every break. A break is reported and never filled in.
 */
export function listenTo(id: string, on: FeedHandlers): () => void {
  const source = new EventSource(`/api/instruments/${encodeURIComponent(id)}/stream`)
  let base: number | undefined
  let lost = false
  let silence: ReturnType<typeof setTimeout>

  const lose = (why: string) => {
    base = undefined
    if (lost) return
    lost = true
    on.lost(id, why)
  }
  const watch = () => {
    clearTimeout(silence)
    silence = setTimeout(() => lose('it fell silent'), SILENT_MS)
  }
  source.onmessage = ({ data }: MessageEvent<string>) => {
    watch()
    const sample = JSON.parse(data) as Sample & { status?: string }
    if (lost) {
      lost = false
      on.back(id)
    }
    base ??= on.elapsed() - sample.t
    const { t, status: _, ...values } = sample
    on.readings([{ ...values, t: Math.max(0, Math.round((t + base) * 1000) / 1000), stream: id }])
  }
  source.addEventListener('failed', ({ data }: MessageEvent<string>) =>
    lose((JSON.parse(data) as { reason: string }).reason),
  )
  source.onerror = () => lose('the line was cut')
  watch()
  return () => {
    clearTimeout(silence)
    source.close()
  }
}

interface BatteryManager extends EventTarget {
  level: number
  charging: boolean
}
type WithBattery = Navigator & { getBattery?: () => Promise<BatteryManager> }

export const canReadOwnBattery = (): boolean => typeof (navigator as WithBattery).getBattery === 'function'

/** Logs the level of the device this page is open on, whenever it changes and once a minute. */
export function listenToOwnBattery(on: FeedHandlers): () => void {
  let stopped = false
  let undo = () => {}
  void (navigator as WithBattery).getBattery?.().then((battery) => {
    if (stopped) return
    let last = NaN
    let lastT = -Infinity
    const read = () => {
      const percent = Math.round(battery.level * 100)
      const t = Math.round(on.elapsed() * 10) / 10
      if (percent === last && t - lastT < 60) return
      ;[last, lastT] = [percent, t]
      on.readings([{ t, percent, stream: 'own-battery' }])
    }
    const timer = setInterval(read, 1000)
    battery.addEventListener('levelchange', read)
    read()
    undo = () => {
      clearInterval(timer)
      battery.removeEventListener('levelchange', read)
    }
  })
  return () => {
    stopped = true
    undo()
  }
}
