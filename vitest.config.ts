import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'
import { resolve, shared } from './vitest.shared.ts'

export default defineConfig({
  resolve,
  test: {
    // Every core: left to itself it keeps one free, which on two cores is half of them.
    maxWorkers: availableParallelism(),
    projects: [
      {
        resolve,
        test: {
          ...shared,
          name: 'core',
          include: ['{core,server,cli,demo,scripts}/**/*.test.ts'],
          // The core keeps nothing between calls, so its tests share their modules, and load them once.
          isolate: false,
        },
      },
      { resolve, test: { ...shared, name: 'web', include: ['web/**/*.test.ts'] } },
    ],
  },
})
