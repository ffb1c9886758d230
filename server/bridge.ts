import express, { Router, type Request, type Response } from 'express'
import { instrumentHub, type InstrumentHub } from './hub'
import { describe, type Instrument } from './instruments/instrument'
import { bootId, uptimeS } from './machine'

export interface BridgeOptions {
  /** Asked anew each time, so that what was plugged in later is found. */
  instruments: () => Promise<Instrument[]>
}

const HEARTBEAT_MS = 5000
/** After a failure the browser asks again this soon. */
const RETRY_MS = 1000
const MOST_IDS = 32
/** A browser that has not taken this many bytes has stopped listening. */
const MOST_WAITING = 1 << 20
const ID = /^[\w.-]{1,100}$/

/** One tab's stream, over which all of its instruments come. */
interface Client {
  send(event: string | null, data: object): void
  /** What ends each subscription, by instrument. */
  stops: Map<string, () => void>
}

/** The meter bridge: which instruments there are, and one stream of server-sent events a tab for all it listens to. */
export function bridge({ instruments }: BridgeOptions): Router {
  const router = Router()
  const hub = instrumentHub(instruments)
  const clients = new Map<string, Client>()
  const boot = bootId()

  router.get('/clock', (_request, response) => {
    response.set('cache-control', 'no-store').json({ uptimeS: uptimeS(), bootId: boot })
  })

  router.get('/instruments', async (_request, response) => {
    response.set('cache-control', 'no-store').json((await instruments()).map(describe))
  })

  router.get('/stream/:client', (request, response) => {
    const { client } = request.params
    if (!ID.test(client)) return void response.status(400).json({ error: 'This is no name for a stream.' })
    letGo(clients.get(client))
    const mine = openStream(request, response, () => {
      letGo(mine)
      if (clients.get(client) === mine) clients.delete(client)
    })
    clients.set(client, mine)
  })

  /** Says which instruments a stream is to carry; those it carries already go on without a break. */
  router.post('/stream/:client', express.json({ limit: '16kb' }), (request, response) => {
    const client = clients.get(request.params.client)
    if (!client) return void response.status(404).json({ error: 'There is no such stream.' })
    const ids: unknown = (request.body as { ids?: unknown } | undefined)?.ids
    if (!Array.isArray(ids) || ids.length > MOST_IDS || !ids.every((id) => ID.test(String(id))))
      return void response
        .status(400)
        .json({ error: `"ids" must be a list of at most ${MOST_IDS} instruments.` })
    carry(hub, client, new Set(ids.map(String)))
    response.json({ ids: [...client.stops.keys()] })
  })
  return router
}

function letGo(client: Client | undefined): void {
  client?.stops.forEach((stop) => stop())
  client?.stops.clear()
}

function carry(hub: InstrumentHub, { send, stops }: Client, wanted: ReadonlySet<string>): void {
  for (const [id, stop] of stops)
    if (!wanted.has(id)) {
      stop()
      stops.delete(id)
    }
  for (const id of wanted)
    if (!stops.has(id))
      stops.set(
        id,
        hub.listen(id, {
          sample: (sample) => send(null, { id, sample }),
          failed: (reason) => send('failed', { id, reason }),
        }),
      )
}

function openStream(request: Request, response: Response, closed: () => void): Client {
  response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' })
  response.flushHeaders()
  response.write(`retry: ${RETRY_MS}\n\n`)
  const heartbeat = setInterval(() => response.write(': alive\n\n'), HEARTBEAT_MS)
  const close = () => {
    clearInterval(heartbeat)
    closed()
  }
  request.on('close', close)
  response.on('close', close)
  return {
    stops: new Map(),
    send(event, data) {
      if (response.writableLength > MOST_WAITING) return void response.destroy()
      response.write(`${event ? `event: ${event}\n` : ''}data: ${JSON.stringify(data)}\n\n`)
    },
  }
}
