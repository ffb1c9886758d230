// The rooms of the house and what each may know. Everything that does not stand here is an error.

/** Packages that test files may use besides their room's own. */
export const TEST_PACKAGES = [
  'vitest',
  'vue/server-renderer',
  'fast-check',
  'fake-indexeddb',
  'fake-indexeddb/*',
  'ical.js',
  'ajv',
  'ajv-draft-04',
  'node:*',
]

/**
 * Rooms by folder, the innermost folder first found. `rooms`: what it may import from; a room may always import from
 * itself. `packages`: whole names, or `name/*` for everything below one.
 */
export const HOUSE = {
  'core/trace': { rooms: [], packages: ['yup', 'simple-statistics', 'd3-array'] },
  'core/stats': { rooms: [], packages: ['pure-rand/*', 'simple-statistics', 'jstat'] },
  'core/gear': { rooms: ['core/trace'], packages: ['yup'] },
  'core/protocol': { rooms: ['core/gear', 'core/trace'], packages: ['yup'] },
  'core/analysis': {
    rooms: ['core/protocol', 'core/gear', 'core/stats', 'core/trace', 'core/words'],
    packages: ['d3-array'],
  },
  'core/compare': {
    rooms: ['core/analysis', 'core/protocol', 'core/stats', 'core/gear', 'core/trace', 'core/words'],
    packages: ['d3-array'],
  },
  'core/model': {
    rooms: ['core/analysis', 'core/stats', 'core/gear', 'core/trace'],
    packages: ['d3-array'],
  },
  'core/plan': {
    rooms: ['core/model', 'core/protocol', 'core/stats', 'core/gear', 'core/trace', 'core/words'],
    packages: ['yup', 'date-fns', 'ical-generator', 'simple-statistics', 'd3-array'],
  },
  'core/bench': {
    rooms: [
      'core/model',
      'core/analysis',
      'core/protocol',
      'core/gear',
      'core/stats',
      'core/trace',
      'core/words',
    ],
    packages: ['yup'],
  },
  'core/logbook': {
    rooms: ['core/bench', 'core/plan', 'core/protocol', 'core/gear', 'core/trace', 'core/words'],
    packages: ['yup', 'd3-array'],
  },
  'core/formats': {
    rooms: [
      'core/logbook',
      'core/bench',
      'core/plan',
      'core/compare',
      'core/analysis',
      'core/protocol',
      'core/gear',
      'core/trace',
      'core/words',
    ],
    packages: [
      'yup',
      'papaparse',
      'saxen',
      'date-fns',
      'd3-array',
      'to-words/en-US',
      '@sodaru/yup-to-json-schema',
    ],
  },
  'core/words': { rooms: [], packages: ['d3-array'] },
  'core/words/sentences': {
    rooms: ['core/words', 'core/compare', 'core/analysis', 'core/gear', 'core/trace'],
    packages: ['d3-array'],
  },

  'web/theme': { rooms: [], packages: ['vue', 'vuetify', 'vuetify/*', '@vueuse/core'] },
  'web/workers': {
    rooms: ['core'],
    packages: [
      'comlink',
      'read-excel-file/*',
      'write-excel-file/*',
      'fflate',
      'mediabunny',
      '@fontsource-variable/*',
    ],
  },
  'web/storage': {
    rooms: ['core', 'web/workers'],
    packages: ['localforage', 'comlink', 'yup', 'browser-fs-access'],
  },
  'web/stores': {
    rooms: ['core', 'web/storage', 'web/workers'],
    packages: ['vue', 'pinia', '@vueuse/core', 'date-fns'],
  },
  'web/composables': { rooms: ['core', 'web/stores'], packages: ['vue', 'vue-router', '@vueuse/core'] },
  'web/charts': {
    rooms: ['core', 'web/theme'],
    packages: [
      'vue',
      'vuetify',
      '@vueuse/core',
      'chart.js',
      'chartjs-plugin-annotation',
      'chartjs-plugin-zoom',
      'chartjs-plugin-zoom/*',
      'd3-array',
    ],
  },
  'web/components': {
    rooms: ['core', 'web/stores', 'web/composables', 'web/theme', 'web/forms'],
    packages: ['vue', 'vuetify', '@vueuse/core', '@mdi/js'],
  },
  'web/forms': {
    rooms: ['core', 'web/components', 'web/composables'],
    packages: ['vue', 'vuetify', 'vee-validate', '@vee-validate/yup', 'yup', '@vueuse/core', '@mdi/js'],
  },
  'web/screens': {
    rooms: [
      'core',
      'web/stores',
      'web/composables',
      'web/components',
      'web/charts',
      'web/forms',
      'web/theme',
      'web/workers',
    ],
    packages: [
      'vue',
      'vue-router',
      'vuetify',
      '@vueuse/core',
      '@mdi/js',
      'd3-array',
      'marked',
      'dompurify',
      'write-excel-file/*',
      'fflate',
      'vee-validate',
      '@vee-validate/yup',
      'yup',
      'date-fns',
      'sortablejs',
    ],
  },
  // The application itself: its start, its frame and its routes.
  web: {
    rooms: [
      'core',
      'web/theme',
      'web/stores',
      'web/composables',
      'web/components',
      'web/charts',
      'web/forms',
      'web/screens',
    ],
    packages: ['vue', 'vue-router', 'pinia', 'vuetify', '@vueuse/core', '@mdi/js', '@fontsource-variable/*'],
  },
  server: {
    rooms: ['core'],
    packages: ['node:*', 'express', 'helmet', 'commander', 'get-port'],
  },
  cli: { rooms: ['core'], packages: ['node:*', 'commander'] },
  demo: { rooms: ['core'], packages: ['node:*', 'date-fns'] },
  bench: { rooms: ['core'], packages: ['node:*', 'simple-statistics', 'papaparse', '@playwright/test'] },
  e2e: {
    rooms: ['core', 'server'],
    packages: [
      'fflate',
      'mediabunny',
      'node:*',
      '@playwright/test',
      '@axe-core/playwright',
      'ical.js',
      'papaparse',
      'write-excel-file/*',
    ],
  },
}

/** Globals of a platform that the core must not know, each with what to do instead. */
export const CORE_GLOBALS = [
  ...[
    'window',
    'document',
    'navigator',
    'localStorage',
    'self',
    'globalThis',
    'process',
    'Buffer',
    'console',
  ],
  ...['fetch', 'setTimeout', 'setInterval', 'requestAnimationFrame', 'performance', 'crypto'],
].map((name) => ({ name, message: 'core/ has no platform: take it as an argument.' }))
export const CORE_PROPERTIES = [
  { object: 'Date', property: 'now', message: 'core/ has no clock: take the moment as an argument.' },
  { object: 'Math', property: 'random', message: 'core/ has no dice: take a seed (core/stats/random).' },
]
/** `new Date()` reads the machine's clock just as well. */
export const CORE_SYNTAX = [
  {
    selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
    message: 'core/ has no clock: take the moment as an argument.',
  },
]
