/** What the bridge's stream carries of one instrument; see the server's instruments. */
export interface Sample {
  /** Seconds on the instrument's own clock. */
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

export interface Listener {
  sample(sample: Sample): void
  lost(why: string): void
}

/** After the stream broke for good, a new one is asked for this soon, ms. */
const AGAIN_AFTER_MS = 1000

const listeners = new Map<string, Set<Listener>>()
let source: EventSource | undefined
let client = ''
let again: ReturnType<typeof setTimeout> | undefined

/**
 * Listens to one instrument. All instruments of this tab come over one stream: a browser keeps six connections to one
 * server, and six streams of their own would leave none for anything else. Returns what ends it.
 */
export function listenTo(id: string, listener: Listener): () => void {
  const all = listeners.get(id) ?? new Set()
  listeners.set(id, all.add(listener))
  if (!source) open()
  else void ask()
  return () => {
    all.delete(listener)
    if (all.size === 0) listeners.delete(id)
    if (listeners.size === 0) close()
    else void ask()
  }
}

function open(): void {
  client = crypto.randomUUID()
  source = new EventSource(`/api/stream/${client}`)
  const mine = source
  mine.onopen = () => void ask()
  mine.onmessage = ({ data }: MessageEvent<string>) => {
    const { id, sample } = JSON.parse(data) as { id: string; sample: Sample }
    for (const listener of listeners.get(id) ?? []) listener.sample(sample)
  }
  mine.addEventListener('failed', ({ data }: MessageEvent<string>) => {
    const { id, reason } = JSON.parse(data) as { id: string; reason: string }
    for (const listener of listeners.get(id) ?? []) listener.lost(reason)
  })
  mine.onerror = () => {
    for (const all of listeners.values()) for (const listener of all) listener.lost('the line was cut')
    // The browser asks again by itself, unless the answer was no stream at all.
    if (mine.readyState === EventSource.CLOSED && mine === source) restart()
  }
}

/** Says which instruments are wanted now. A server that does not know this stream any more gets a new one. */
async function ask(): Promise<void> {
  const ids = [...listeners.keys()]
  const mine = client
  try {
    const response = await fetch(`/api/stream/${mine}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ids }),
    })
    if (!response.ok && mine === client && source?.readyState === EventSource.OPEN) restart()
  } catch {
    // The stream breaks as well, and says so.
  }
}

function restart(): void {
  source?.close()
  source = undefined
  clearTimeout(again)
  again = setTimeout(() => {
    if (listeners.size > 0 && !source) open()
  }, AGAIN_AFTER_MS)
}

function close(): void {
  clearTimeout(again)
  source?.close()
  source = undefined
}
