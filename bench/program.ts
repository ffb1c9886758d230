// The built program with its server and a browser, for benchmarks.
import { spawn } from 'node:child_process'
import { chromium, type Browser } from '@playwright/test'

export interface OpenProgram {
  /** Its address, without a slash at the end. */
  base: string
  browser: Browser
  close: () => Promise<void>
}

export async function openProgram(): Promise<OpenProgram> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const said = await new Promise<string>((resolve) =>
    server.stdout.once('data', (data) => resolve(String(data))),
  )
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  })
  const close = async () => {
    await browser.close()
    server.kill()
  }
  const address = /http:\S+/.exec(said)
  if (!address) throw new Error(`The server did not say where it is: ${said}`)
  return { base: address[0].replace(/\/$/, ''), browser, close }
}
