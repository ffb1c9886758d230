import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'
import { serviceWorker } from './scripts/serviceWorker.ts'

const path = (relative: string) => fileURLToPath(new URL(relative, import.meta.url))

/** Usable without the server. A new version waits until the reviewer takes it up. */
const offline = serviceWorker({
  source: path('./web/workers/serviceWorker.js'),
  publicFolder: path('./web/public'),
})

/**
 * What several screens share comes in a few pieces rather than in fifty: each request costs more than the few kilobytes
 * that a screen gets too many. What only some of them need (charts, statistics, tables) stays apart, and comes later.
 */
const groups = [
  { name: 'statistics', test: /node_modules\/(jstat|simple-statistics)\//, minShareCount: 2, priority: 4 },
  { name: 'tables', test: /node_modules\/papaparse\//, minShareCount: 2, priority: 4 },
  {
    name: 'drawing',
    test: /node_modules\/(chart\.js|chartjs-plugin-\w+|hammerjs|@kurkle)\//,
    minShareCount: 2,
    priority: 3,
  },
  { name: 'interface', test: /node_modules\//, minShareCount: 4, priority: 2 },
  {
    name: 'common',
    test: /(core|web\/(stores|storage|words|composables|components|forms))\//,
    minShareCount: 4,
    priority: 1,
  },
]

export default defineConfig({
  root: path('./web'),
  publicDir: path('./web/public'),
  resolve: { alias: { '@core': path('./core') } },
  plugins: [vue(), vuetify({ autoImport: true }), offline],
  worker: { format: 'es' },
  build: {
    outDir: path('./dist/web'),
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    // One sheet of styles, and what a screen brings is asked for by the modules themselves: a link to each of its fifty
    // pieces, written into the page before it opens, costs more time than it saves with the server on the same machine.
    cssCodeSplit: false,
    modulePreload: { resolveDependencies: (_file, deps, { hostType }) => (hostType === 'html' ? deps : []) },
    rolldownOptions: { output: { codeSplitting: { groups } } },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4309}` } },
})
