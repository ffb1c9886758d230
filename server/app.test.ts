import { mkdtempSync, writeFileSync } from 'node:fs'
import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from './app'

let server: Server
let port = 0

beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'inkpath-'))
  writeFileSync(join(folder, 'index.html'), '<title>start page</title>')
  writeFileSync(join(folder, 'demo.json'), '{}')
  const app = createApp({ webFolder: folder, demoFile: join(folder, 'demo.json'), openDemo: true })
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
})
