import os from 'node:os'
import { Router, type Request, type Response } from 'express'
import { describe, type Instrument } from './instruments/instrument'

export interface BridgeOptions {
  /** Asked anew each time, so that what was plugged in later is found. */
  instruments: () => Promise<Instrument[]>
}

const HEARTBEAT_MS = 5000
/** After a failure the browser asks again this soon. */
const RETRY_MS = 1000

/** The meter bridge: which instruments there are, and a stream of server-sent events from each. */
export function bridge({ instruments }: BridgeOptions): Router {
  const router = Router()

  /** A clock that nobody can set and that counts sleep: seconds since this machine was started. */
  router.get('/clock', (_request, response) => {
    response.set('cache-control', 'no-store').json({ uptimeS: os.uptime() })
  })

  router.get('/instruments', async (_request, response) => {
    response.set('cache-control', 'no-store').json((await instruments()).map(describe))
  })

  router.get('/instruments/:id/stream', async (request, response) => {
    const instrument = (await instruments()).find((i) => i.id === request.params.id)
    if (!instrument) return void response.status(404).json({ error: 'There is no such instrument.' })
    stream(instrument, request, response)
  })
  return router
}

function stream(instrument: Instrument, request: Request, response: Response): void {
  response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' })
  response.flushHeaders()
  response.write(`retry: ${RETRY_MS}\n\n`)
  const heartbeat = setInterval(() => response.write(': alive\n\n'), HEARTBEAT_MS)
  const stop = instrument.stream(
    (sample) => response.write(`data: ${JSON.stringify(sample)}\n\n`),
    (reason) => {
      // The stream ends; the browser asks again by itself, and nothing is filled in.
      response.write(`event: failed\ndata: ${JSON.stringify({ reason })}\n\n`)
      response.end()
    },
  )
  const close = () => {
    clearInterval(heartbeat)
    stop()
  }
  request.on('close', close)
  response.on('close', close)
}
