/* Keeps the program's pages and its last answers on this device, so that the bench opens without a connection. */
const ASSETS = [] /* filled in by the build */
const SHELL = 'shell-unbuilt' /* named by the build after what is in it */
const ANSWERS = 'answers'
const PATIENCE_MS = 4000
const KEPT_AT = 'Kept-At'
/** What rooms ask when they open; the bench itself is kept by its page. */
const KEPT =
  /^\/api\/(kitchen|formulas|plans|cultures|next|ingredients|bench\/score|bakes|phone)(\/[A-Za-z0-9-]+)?$/

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

/** What the network answers in time: in a corner with a faint signal it may neither answer nor fail. */
function inTime(answered) {
  const late = new Promise((_, reject) => setTimeout(reject, PATIENCE_MS))
  return Promise.race([answered, late])
}

async function page(request) {
  const answered = fetch(request)
  answered.catch(() => undefined)
  try {
    return await inTime(answered)
  } catch {
    return (await caches.match('/', { cacheName: SHELL })) ?? answered
  }
}

async function asset(request) {
  return (await caches.match(request)) ?? fetch(request)
}

async function answer(event) {
  const { request } = event
  const answered = fetch(request)
  event.waitUntil(answered.then((found) => keep(request, found)).catch(() => undefined))
  try {
    return (await inTime(answered)).clone()
  } catch {
    const kept = await caches.match(request, { cacheName: ANSWERS, ignoreVary: true })
    return kept ? asOfNow(kept) : answered
  }
}

/** Keep an answer, and when it came. */
async function keep(request, found) {
  if (!found.ok) return
  const headers = { 'Content-Type': found.headers.get('Content-Type'), [KEPT_AT]: String(Date.now()) }
  const copy = new Response(await found.clone().arrayBuffer(), { headers })
  await (await caches.open(ANSWERS)).put(request, copy)
}

/** A kept answer that tells the kitchen's time tells the time that it is by now: the bench counts down by it. */
async function asOfNow(kept) {
  const said = await kept.clone().json()
  if (typeof said.now !== 'string' || typeof said.rate !== 'number') return kept
  const since = Date.now() - Number(kept.headers.get(KEPT_AT))
  said.now = new Date(Date.parse(said.now) + said.rate * since).toISOString()
  return new Response(JSON.stringify(said), { headers: kept.headers })
}

self.addEventListener('notificationclick', (event) => {
  event.notification.close()
  event.waitUntil(
    self.clients
      .matchAll({ type: 'window' })
      .then((open) => (open[0] ? open[0].focus() : self.clients.openWindow('/bench'))),
  )
})
