import { defineConfig, mergeConfig } from 'vitest/config'
import base from './vitest.config'

/** One room of the core with its own tests, which must notice what goes wrong in it. Fuzzing is too slow to repeat. */
const room = process.env.MUTANTS_ROOM ?? '**'

export default mergeConfig(
  { ...base, test: { ...base.test, include: [] } },
  defineConfig({
    test: { include: [`core/${room}/**/*.test.ts`], exclude: ['**/fuzz.test.ts', 'node_modules'] },
  }),
)
