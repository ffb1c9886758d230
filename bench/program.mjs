// The built program with its server and a browser, for benchmarks.
import { spawn } from 'node:child_process'
import { chromium } from '@playwright/test'

export async function openProgram() {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const said = await new Promise((resolve) => server.stdout.once('data', (data) => resolve(String(data))))
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  })
  const close = async () => {
    await browser.close()
    server.kill()
  }
  return { base: /http:\S+/.exec(said)[0].replace(/\/$/, ''), browser, close }
}
