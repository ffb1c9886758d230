import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@core': fileURLToPath(new URL('./core', import.meta.url)) } },
  test: {
    include: ['{core,web,server,cli,demo,scripts}/**/*.test.ts'],
    environment: 'node',
    setupFiles: ['scripts/properties.setup.ts'],
    // A loaded machine is slow, not wrong.
    testTimeout: 120_000,
    hookTimeout: 120_000,
    expect: { poll: { timeout: 60_000 } },
  },
})
