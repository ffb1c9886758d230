import { fileURLToPath } from 'node:url'

/** What every run of the unit tests shares. */
export const resolve = { alias: { '@core': fileURLToPath(new URL('./core', import.meta.url)) } }
export const shared = {
  environment: 'node' as const,
  setupFiles: [fileURLToPath(new URL('./scripts/properties.setup.ts', import.meta.url))],
  // A loaded machine is slow, not wrong.
  testTimeout: 120_000,
  hookTimeout: 120_000,
  expect: { poll: { timeout: 60_000 } },
}
