import { mkdtempSync, writeFileSync } from 'node:fs'
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
    deliver({ t: 0, voltage: 9 })
    deliver({ t: 1, voltage: 9.1 })
    setTimeout(() => failed('the lead came off'), 20)
    return () => stops++
  },
}
let stops = 0
const instruments = () => Promise.resolve([meter])
let server: Server
let port = 0

beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'inkpath-'))
  writeFileSync(join(folder, 'index.html'), '<title>start page</title>')
  writeFileSync(join(folder, 'demo.json'), '{}')
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

const get = (path: string, host = `127.0.0.1:${port}`) =>
  new Promise<{ status: number; body: string }>((resolve, reject) => {
    request({ port, path, host: '127.0.0.1', headers: { host } }, (response) => {
      let body = ''
      response.on('data', (chunk) => (body += chunk))
      response.on('end', () => resolve({ status: response.statusCode ?? 0, body }))
    })
      .on('error', reject)
      .end()
  })

describe('the server', () => {
  it('serves the program on every page of it, and says whether the demo is there', async () => {
    expect((await get('/side-by-side?runs=a')).body).toMatch(/start page/)
    expect(JSON.parse((await get('/api/start')).body)).toEqual({ demo: true, demoAvailable: true })
    expect((await get('/api/nothing')).status).toBe(404)
  })

  it('answers no other host name than this machine’s', async () => {
    expect((await get('/api/start', 'evil.example')).status).toBe(421)
    expect((await get('/api/start', `localhost:${port}`)).status).toBe(200)
  })

  it('bridges instruments as server-sent events, says when one breaks, and lets go of it', async () => {
    expect(JSON.parse((await get('/api/instruments')).body)).toEqual([
      { id: 'meter', name: 'A meter', kind: 'meter', simulated: true },
    ])
    const { body } = await get('/api/instruments/meter/stream')
    expect(body).toContain('data: {"t":1,"voltage":9.1}\n\n')
    expect(body).toMatch(/event: failed\ndata: .*the lead came off/)
    expect(stops).toBeGreaterThan(0)
    expect((await get('/api/instruments/none/stream')).status).toBe(404)
    expect((await get('/api/instruments/meter/stream', 'evil.example')).status).toBe(421)
    expect(JSON.parse((await get('/api/clock')).body).uptimeS).toBeGreaterThan(0)
  })
})
