import { existsSync } from 'node:fs'
import { extname, join, relative, sep } from 'node:path'
import express, { type Express, type NextFunction, type Request, type Response } from 'express'
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
  app.use(refuseStrangers)
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
      // What carries a hash in its name never changes; everything else, the page and the service worker above all,
      // must be asked for anew each time, or a new version is never seen.
      setHeaders: (response, path) => {
        const hashed = relative(webFolder, path).startsWith(`assets${sep}`)
        response.set('cache-control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache')
      },
    }),
  )
  // The web application has its own routes: every page of it is its start page. A file that is not there is not a page.
  app.get(/.*/, (request, response) => {
    if (!isWellFormed(request.path)) return void response.status(400).type('text').send(MISUNDERSTOOD)
    // Files stand at the root and under assets; the id of a run, which has a page, may have a dot in it.
    const isFile = extname(request.path) !== '' && /^\/[^/]*$/.test(request.path)
    if (isFile || request.path.startsWith('/assets/'))
      return void response.status(404).type('text').send('There is no such file.')
    response.set('cache-control', 'no-cache').sendFile(join(webFolder, 'index.html'))
  })
  app.use(sayPlainly)
  return app
}

const MISUNDERSTOOD = 'This request cannot be understood.'

function isWellFormed(path: string): boolean {
  try {
    decodeURIComponent(path)
    return true
  } catch {
    return false
  }
}

/** Another site's page must not read or steer anything here, even where the browser would let it ask. */
function refuseStrangers(request: Request, response: Response, next: NextFunction): void {
  const { origin, host } = request.headers
  const foreign = origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`
  const crossSite = request.path.startsWith('/api') && request.headers['sec-fetch-site'] === 'cross-site'
  if (!foreign && !crossSite) return next()
  response.status(403).type('text').send('Only this program’s own pages may ask.')
}

/** A request that cannot be understood is told so in a line: no stack trace leaves the server. */
function sayPlainly(error: { status?: number }, _: Request, response: Response, next: NextFunction): void {
  if (response.headersSent) return next(error)
  const status = error.status && error.status >= 400 && error.status < 500 ? error.status : 500
  response
    .status(status)
    .type('text')
    .send(status === 500 ? 'Something went wrong in the server.' : MISUNDERSTOOD)
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
