/* Keeps the program's pages and its last answers on this device, so that the bench opens without a connection. */
const ASSETS = [] /* filled in by the build */
const SHELL = 'shell-unbuilt' /* named by the build after what is in it */
const ANSWERS = 'answers'
const PATIENCE_MS = 4000
/** What rooms ask when they open; the bench itself is kept by its page. */
const KEPT = /^\/api\/(kitchen|formulas|plans|cultures|next|ingredients|bench\/score|bakes|phone)(\/[A-Za-z0-9-]+)?$/

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(SHELL)
      .then((cache) => cache.addAll(ASSETS))
      .then(() => self.skipWaiting()),
  )
})

self.addEventListener('activate', (event) => {
  event.waitUntil(tidy().then(() => self.clients.claim()))
})

/** The shell before this one is kept too: a page that is open may still load its parts. */
async function tidy() {
  const shells = (await caches.keys()).filter((name) => name.startsWith('shell-'))
  const old = shells.filter((name) => name !== SHELL).slice(0, -1)
  await Promise.all(old.map((name) => caches.delete(name)))
}

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  if (request.mode === 'navigate') {
    if (!/^\/(api|calendar)\//.test(url.pathname)) event.respondWith(page(request))
  } else if (url.pathname.startsWith('/assets/')) event.respondWith(asset(request))
  else if (KEPT.test(url.pathname)) event.respondWith(answer(event))
})

async function page(request) {
  const late = new Promise((_, reject) => setTimeout(reject, PATIENCE_MS))
  try {
    return await Promise.race([fetch(request), late])
  } catch {
    return (await caches.match('/', { cacheName: SHELL })) ?? fetch(request)
  }
}

async function asset(request) {
  return (await caches.match(request)) ?? fetch(request)
}

async function answer(event) {
  const { request } = event
  try {
    const found = await fetch(request)
    if (found.ok) {
      const copy = found.clone()
      event.waitUntil(caches.open(ANSWERS).then((cache) => cache.put(request, copy)))
    }
    return found
  } catch (error) {
    const kept = await caches.match(request, { cacheName: ANSWERS, ignoreVary: true })
    if (kept) return kept
    throw error
  }
}

self.addEventListener('notificationclick', (event) => {
  event.notification.close()
  event.waitUntil(
    self.clients.matchAll({ type: 'window' }).then((open) => (open[0] ? open[0].focus() : self.clients.openWindow('/bench'))),
  )
})
