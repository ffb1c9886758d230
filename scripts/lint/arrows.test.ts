import { ESLint } from 'eslint'
import ts from 'typescript-eslint'
import { expect, it } from 'vitest'

// The files are not there, so that nothing can be known of their types; the arrows ask for none.
const eslint = new ESLint({ overrideConfig: ts.configs.disableTypeChecked as never })
/** What the linter says of a file that would stand there. */
async function said(filePath: string, code: string): Promise<string> {
  const [result] = await eslint.lintText(code, { filePath })
  return result.messages.map((m) => m.message).join('\n')
}

it.each([
  [
    'core/trace/a.ts',
    "import { analyse } from '../analysis/analyse'\nexport const a = analyse",
    /may not know core\/analysis/,
  ],
  [
    'core/analysis/a.ts',
    "import { forecastS } from '../model/forecast'\nexport const a = forecastS",
    /may not know core\/model/,
  ],
  [
    'core/plan/a.ts',
    "import type { Run } from '../logbook/run'\nexport type A = Run",
    /may not know core\/logbook/,
  ],
  [
    'core/gear/a.ts',
    "import { readFileSync } from 'node:fs'\nexport const a = readFileSync",
    /may not use the package "node:fs"/,
  ],
  ['core/bench/a.ts', "import { ref } from 'vue'\nexport const a = ref", /may not use the package "vue"/],
  [
    'core/stats/a.ts',
    "import lodash from 'lodash'\nexport const a = lodash",
    /may not use the package "lodash"/,
  ],
  ['core/model/a.ts', "export const a = () => import('@core/formats/table')", /may not know core\/formats/],
  ['core/formats/a.ts', "export * from '../../web/stores/bench'", /may not know web\/stores/],
  [
    'core/odd/a.ts',
    "import { duration } from '../words/figures'\nexport const a = duration",
    /is not a room of the house/,
  ],
  ['core/bench/a.ts', 'export const a = () => Date.now()', /has no clock/],
  ['core/bench/a.ts', 'export const a = () => new Date()', /has no clock/],
  ['core/stats/a.ts', 'export const a = () => Math.random()', /has no dice/],
  ['core/plan/a.ts', "export const a = () => fetch('/')", /has no platform/],
  ['core/plan/a.ts', 'export const a = () => window', /has no platform/],
  [
    'web/stores/a.ts',
    "import localforage from 'localforage'\nexport const a = localforage",
    /may not use the package "localforage"/,
  ],
  [
    'web/screens/sheet/a.ts',
    "import { readTrace } from '../../storage/traces'\nexport const a = readTrace",
    /may not know web\/storage/,
  ],
  [
    'web/screens/sheet/a.ts',
    "import { Chart } from 'chart.js'\nexport const a = Chart",
    /may not use the package "chart.js"/,
  ],
  [
    'web/charts/a.ts',
    "import { useBench } from '../stores/bench'\nexport const a = useBench",
    /may not know web\/stores/,
  ],
  ['server/a.ts', "import { router } from '../web/router'\nexport const a = router", /may not know web/],
  [
    'cli/a.ts',
    "import { createApp } from '../server/app'\nexport const a = createApp",
    /may not know server/,
  ],
])('%s refuses: %s', async (file, code, reason) => expect(await said(file, code)).toMatch(reason), 120_000)

it.each([
  ['core/formats/a.ts', "import { COLLECTIONS } from '../logbook/collections'\nexport const a = COLLECTIONS"],
  ['core/bench/a.test.ts', "import fc from 'fast-check'\nexport const a = fc"],
  ['web/storage/a.ts', "import localforage from 'localforage'\nexport const a = localforage"],
])('%s takes what its room may know', async (file, code) => expect(await said(file, code)).toBe(''), 120_000)
