import { once } from 'node:events'
import { appendFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { createApp } from '../server/app'
import { takeInShelf } from './fixture'
import { startByHand, stopAndKeep } from './steps'

test('a newer build waits under a lane, in another tab too, and is taken up when it is told to', async ({
  browser,
}) => {
  const webFolder = mkdtempSync(join(tmpdir(), 'inkpath-build-'))
  cpSync('dist/web', webFolder, { recursive: true })
  const server = createApp({ webFolder, demoFile: '', openDemo: false }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  const baseURL = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const context = await browser.newContext({ baseURL, serviceWorkers: 'allow' })
  try {
    const page = await context.newPage()
    await takeInShelf(page)
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await startByHand(page, 'Bollard 12', '5')

    // A byte more is another build.
    appendFileSync(join(webFolder, 'sw.js'), '\n// another build\n')
    const idle = await context.newPage()
    await idle.goto('/shelf')
    await idle.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
    await expect(idle.getByText('A newer version of the program is here.')).toBeVisible()
    await expect(idle.getByText('It is taken up once no lane runs.')).toBeVisible()
    await expect(idle.getByRole('button', { name: 'Take it up' })).toHaveCount(0)

    await page.bringToFront()
    await stopAndKeep(page)
    await idle.bringToFront()
    const bothLoadAnew = [idle, page].map((tab) => tab.waitForEvent('load'))
    await idle.getByRole('button', { name: 'Take it up' }).click()
    await Promise.all(bothLoadAnew)
    await expect(idle.getByRole('button', { name: 'Edit Bollard 12' })).toBeVisible()
    await expect(idle.getByText('A newer version')).toHaveCount(0)
  } finally {
    await context.close()
    server.close()
    rmSync(webFolder, { recursive: true })
  }
})
