import { defineConfig } from '@playwright/test'

const PORT = 4396

export default defineConfig({
  testDir: 'e2e',
  // It walks for minutes, another way each time: `npm run monkey`.
  testIgnore: process.env.MONKEY ? [] : ['monkey.spec.ts'],
  outputDir: 'test-results',
  // A loaded machine is slow, not wrong.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  workers: 2,
  fullyParallel: true,
  use: {
    actionTimeout: 30_000,
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Every test begins with an empty browser, and would have the whole program laid up for offline use before it goes
    // on. Where that is what a test is about, or the whole way is gone, it is allowed.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: `npx tsx server/main.ts --port ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/start`,
    reuseExistingServer: false,
  },
})
