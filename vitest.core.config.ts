import { defineConfig } from 'vitest/config'
import { resolve, shared } from './vitest.shared.ts'

/**
 * The tests that must notice what goes wrong in a room of the core: those of the core, without those that are too slow
 * to be repeated thousands of times and are at home in another room.
 */
const room = process.env.MUTANTS_ROOM ?? ''
const AT_HOME = {
  model: ['core/model/**'],
  plan: ['core/plan/**'],
  formats: ['core/formats/longTable.test.ts'],
  analysis: ['core/analysis/secondOpinion.test.ts', 'core/analysis/parts/parts.test.ts'],
}
const SLOW = Object.entries(AT_HOME).flatMap(([home, files]) => (home === room ? [] : files))
export default defineConfig({
  resolve,
  test: {
    ...shared,
    // The core keeps nothing between calls, so its tests can share their modules; each run begins anew.
    isolate: false,
    include: ['core/**/*.test.ts'],
    exclude: ['**/fuzz.test.ts', 'node_modules', ...SLOW],
  },
})
