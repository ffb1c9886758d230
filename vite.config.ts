import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import vuetify from 'vite-plugin-vuetify'

const path = (relative: string) => fileURLToPath(new URL(relative, import.meta.url))

/** Installable, and usable without the server. A new version waits until the reviewer takes it up. */
const installable = {
  registerType: 'prompt' as const,
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
  },
  manifest: {
    name: 'Inkpath Log',
    short_name: 'Inkpath',
    description: 'Times the readings, does the arithmetic and keeps the record of charging tests.',
    theme_color: '#fbf7ee',
    background_color: '#fbf7ee',
    display: 'standalone' as const,
    icons: [192, 512].map((n) => ({ src: `/icon-${n}.png`, sizes: `${n}x${n}`, type: 'image/png' })),
  },
}

export default defineConfig({
  root: path('./web'),
  publicDir: path('./web/public'),
  resolve: { alias: { '@core': path('./core') } },
  plugins: [vue(), vuetify({ autoImport: true }), VitePWA(installable)],
  worker: { format: 'es' },
  build: { outDir: path('./dist/web'), emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4309}` } },
})
