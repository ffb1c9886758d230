import { existsSync } from 'node:fs'
import { join } from 'node:path'
import express, { type Express } from 'express'
import helmet from 'helmet'
import { bridge, type BridgeOptions } from './bridge'

export interface AppOptions {
  /** Folder of the built web application. */
  webFolder: string
  /** The demo logbook's file; offered only when it exists. */
  demoFile: string
  /** Whether an empty program should open with the demo logbook. */
  openDemo: boolean
  /** The instruments of the meter bridge. */
  instruments?: BridgeOptions['instruments']
}

/** Names under which a browser on this machine may ask for the program; another is a rebinding attack. */
const LOOPBACK_HOSTS = new Set(['127.0.0.1', 'localhost', '[::1]'])

/** The HTTP application: the built web program, and the demo logbook. */
export function createApp({
  webFolder,
  demoFile,
  openDemo,
  instruments = async () => [],
}: AppOptions): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use((request, response, next) => {
    if (LOOPBACK_HOSTS.has((request.headers.host ?? '').replace(/:\d+$/, ''))) return next()
    response.status(421).type('text').send('This program answers on this machine’s loopback address only.')
  })
  app.use(helmet(contentPolicy))
  app.get('/api/start', (_request, response) => {
    response.json({ demo: openDemo && existsSync(demoFile), demoAvailable: existsSync(demoFile) })
  })
  app.get('/api/demo-logbook', (_request, response) => {
    if (!existsSync(demoFile))
      return void response.status(404).json({ error: 'The demo logbook was not built.' })
    response.type('json').sendFile(demoFile)
  })
  app.use('/api', bridge({ instruments }))
  app.use(
    '/api',
    (_request, response) => void response.status(404).json({ error: 'There is no such thing here.' }),
  )
  app.use(
    express.static(webFolder, {
      index: false,
      maxAge: '1h',
      // The service worker must be asked for anew each time, or a new version is never seen.
      setHeaders: (response, path) => {
        if (path.endsWith('sw.js')) response.set('cache-control', 'no-cache')
      },
    }),
  )
  // The web application has its own routes: every other page is its start page.
  app.get(/.*/, (_request, response) => void response.sendFile(join(webFolder, 'index.html')))
  return app
}

const contentPolicy = {
  contentSecurityPolicy: {
    directives: {
      defaultSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'", 'data:'],
      workerSrc: ["'self'", 'blob:'],
      connectSrc: ["'self'"],
      upgradeInsecureRequests: null,
    },
  },
  strictTransportSecurity: false,
} as const
