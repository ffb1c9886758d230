// The program without its server: every file of this build is kept, and a new build waits until it is taken up.
// The build puts PRECACHE, the paths of its files, and VERSION, the hash of them all, in front of this text.
/* global PRECACHE, VERSION */
const CACHE = `inkpath-${VERSION}`
const PAGE = '/index.html'

self.addEventListener('install', (event) => {
  // All or nothing: a build that is half there must never start. The browser's own cache may be behind.
  const files = PRECACHE.map((path) => new Request(path, { cache: 'reload' }))
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll(files)))
})

self.addEventListener('activate', (event) => {
  const tidy = async () => {
    for (const name of await caches.keys()) if (name !== CACHE) await caches.delete(name)
    await self.clients.claim()
  }
  event.waitUntil(tidy())
})

// Nobody is moved to a new version while a lane runs: the page says when.
self.addEventListener('message', (event) => {
  // Pages of builds before this worker ask in the second way.
  if (event.data === 'take-up' || event.data?.type === 'SKIP_WAITING') void self.skipWaiting()
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/'))
    return
  const wanted = request.mode === 'navigate' ? PAGE : url.pathname
  event.respondWith(
    caches
      .open(CACHE)
      .then((cache) => cache.match(wanted))
      .then((kept) => kept ?? fetch(request)),
  )
})
