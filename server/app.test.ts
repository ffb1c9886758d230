import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from './app'
import type { Instrument } from './instruments/instrument'

/** An instrument that says two things and then breaks. */
const meter: Instrument = {
  id: 'meter',
  name: 'A meter',
  kind: 'meter',
  simulated: true,
  stream(deliver, failed) {
    starts++
    deliver({ t: 0, voltage: 9 })
    deliver({ t: 1, voltage: 9.1 })
    const timer = setTimeout(() => failed('the lead came off'), 150)
    return () => {
      clearTimeout(timer)
      stops++
    }
  },
}
let starts = 0
let stops = 0
let listed: Promise<unknown> = Promise.resolve()
const instruments = () => listed.then(() => [meter])
let server: Server
let port = 0

beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'inkpath-'))
  writeFileSync(join(folder, 'index.html'), '<title>start page</title>')
  writeFileSync(join(folder, 'demo.json'), '{}')
  writeFileSync(join(folder, 'sw.js'), '//')
  mkdirSync(join(folder, 'assets'))
  writeFileSync(join(folder, 'assets', 'app-1a2b3c.js'), '//')
  const app = createApp({
    webFolder: folder,
    demoFile: join(folder, 'demo.json'),
    openDemo: true,
    instruments,
  })
  server = createServer(app).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  port = (server.address() as AddressInfo).port
})
afterAll(() => server.close())

const ask = (path: string, headers: Record<string, string> = {}, body?: string) =>
  new Promise<{ status: number; body: string; cache: string }>((resolve, reject) => {
    const method = body === undefined ? 'GET' : 'POST'
    const own = {
      host: `127.0.0.1:${port}`,
      ...(body ? { 'content-type': 'application/json' } : {}),
      ...headers,
    }
    request({ port, path, method, host: '127.0.0.1', headers: own }, (response) => {
      let text = ''
      response.on('data', (chunk) => (text += chunk))
      response.on('end', () =>
        resolve({
          status: response.statusCode ?? 0,
          body: text,
          cache: response.headers['cache-control'] ?? '',
        }),
      )
    })
      .on('error', reject)
      .end(body)
  })
const get = (path: string, host?: string) => ask(path, host ? { host } : {})

/** One tab's stream, open until it is closed. */
function openStream(client: string) {
  let text = ''
  const opened = new Promise<() => void>((resolve) => {
    const r = request({ port, path: `/api/stream/${client}`, host: '127.0.0.1' }, (response) => {
      response.on('data', (chunk) => (text += chunk))
      response.on('error', () => undefined)
      resolve(() => r.destroy())
    })
    r.on('error', () => undefined).end()
  })
  return { opened, text: () => text }
}
const want = (client: string, ids: string[]) => ask(`/api/stream/${client}`, {}, JSON.stringify({ ids }))

describe('the server', () => {
  it('serves the program on every page of it, and says whether the demo is there', async () => {
    expect((await get('/side-by-side?runs=a')).body).toMatch(/start page/)
    expect((await get('/sheet/r.1%2Fa')).body).toMatch(/start page/)
    expect(JSON.parse((await get('/api/start')).body)).toEqual({ demo: true, demoAvailable: true })
    expect((await get('/api/nothing')).status).toBe(404)
  })

  it('answers no other host name than this machine’s, and no page of another site', async () => {
    expect((await get('/api/start', 'evil.example')).status).toBe(421)
    expect((await get('/api/start', `localhost:${port}`)).status).toBe(200)
    expect((await ask('/api/start', { origin: 'http://evil.example' })).status).toBe(403)
    expect((await ask('/api/start', { origin: `http://127.0.0.1:${port + 1}` })).status).toBe(403)
    expect((await ask('/api/start', { 'sec-fetch-site': 'cross-site' })).status).toBe(403)
    expect((await ask('/api/start', { origin: `http://127.0.0.1:${port}` })).status).toBe(200)
  })

  it('keeps what carries a hash for good, asks anew for the page and the service worker, and lacks what is not there', async () => {
    expect((await get('/assets/app-1a2b3c.js')).cache).toMatch(/immutable/)
    expect((await get('/sw.js')).cache).toBe('no-cache')
    expect((await get('/shelf')).cache).toBe('no-cache')
    expect((await get('/assets/app-gone.js')).status).toBe(404)
    expect((await get('/picture.png')).status).toBe(404)
  })

  it('tells a request that it cannot understand so in a line, without a stack', async () => {
    for (const path of ['/%E0%A4%A', '/api/stream/%FF']) {
      const { status, body } = await get(path)
      expect([status, body]).toEqual([400, 'This request cannot be understood.'])
    }
    expect((await ask('/api/stream/x', {}, '{')).body).not.toMatch(/at /)
    expect((await want('nobody', ['meter'])).status).toBe(404)
  })

  it('tells a clock that nobody can set, and which start of the machine it counts from', async () => {
    const { uptimeS, bootId } = JSON.parse((await get('/api/clock')).body) as Record<string, unknown>
    expect(uptimeS).toBeGreaterThan(0)
    if (process.platform === 'linux') expect(bootId).toMatch(/^[0-9a-f-]{36}$/)
  })
})

describe('the bridge', () => {
  it('carries all instruments of a tab over one stream, says when one breaks, and tries it again', async () => {
    expect(JSON.parse((await get('/api/instruments')).body)).toEqual([
      { id: 'meter', name: 'A meter', kind: 'meter', simulated: true },
    ])
    const stream = openStream('tab-1')
    const close = await stream.opened
    expect((await want('tab-1', ['meter', 'none'])).status).toBe(200)
    expect((await want('tab-1', ['../x'])).status).toBe(400)
    const said = expect.poll(() => stream.text())
    await said.toContain('data: {"id":"meter","sample":{"t":1,"voltage":9.1}}\n\n')
    await said.toMatch(/event: failed\ndata: .*"meter".*the lead came off/)
    await said.toMatch(/event: failed\ndata: .*"none".*no such instrument/)
    const before = starts
    await expect.poll(() => starts).toBeGreaterThan(before)
    close()
    await expect.poll(() => stops).toBeGreaterThanOrEqual(starts)
  })

  it('asks an instrument once for two tabs, and lets go of it with the last', async () => {
    const [a, b] = [openStream('tab-a'), openStream('tab-b')]
    const [closeA, closeB] = [await a.opened, await b.opened]
    const [startsBefore, stopsBefore] = [starts, stops]
    await want('tab-a', ['meter'])
    await want('tab-b', ['meter'])
    expect(starts - startsBefore).toBe(1)
    await want('tab-a', [])
    expect(stops - stopsBefore).toBe(0)
    closeB()
    await expect.poll(() => stops - stopsBefore).toBe(1)
    closeA()
  })

  it('leaves nothing being asked when fifty tabs leave while it is still looked for', async () => {
    let found: (v?: unknown) => void = () => undefined
    listed = new Promise((resolve) => (found = resolve))
    const before = starts
    const streams = Array.from({ length: 50 }, (_, i) => openStream(`early-${i}`))
    const closes = await Promise.all(streams.map((s) => s.opened))
    await Promise.all(streams.map((_, i) => want(`early-${i}`, ['meter'])))
    closes.forEach((close) => close())
    await new Promise((resolve) => setTimeout(resolve, 100))
    found()
    await new Promise((resolve) => setTimeout(resolve, 50))
    expect(starts).toBe(before)
  })
})
