import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'

const path = (relative: string) => fileURLToPath(new URL(relative, import.meta.url))

export default defineConfig({
  root: path('./web'),
  publicDir: path('./web/public'),
  resolve: { alias: { '@core': path('./core') } },
  plugins: [vue(), vuetify({ autoImport: true })],
  worker: { format: 'es' },
  build: { outDir: path('./dist/web'), emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4309}` } },
})
