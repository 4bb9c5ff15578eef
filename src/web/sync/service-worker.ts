import { clientsClaim } from 'workbox-core'
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { takeOverWord } from './take-over'

// Starts the application where there is no network: every part of it lies in the device's cache from the first visit on. Data never
// passes through here: what the server says goes to the page, and the page keeps what it needs.

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: (PrecacheEntry | string)[] }

const parts = self.__WB_MANIFEST
const page = '/'
const longestMs = 3_000
/** The page of these parts: another version has another. */
const pages = `page-${versionOf(parts)}`

precacheAndRoute(parts)
cleanupOutdatedCaches()

// The page belongs to the parts that were cached with it, so it is kept when they are, and never with those of another version. A new
// version waits until it is asked for: nobody's run is changed under their hands.
self.addEventListener('install', (event) => event.waitUntil(keepPage()))
self.addEventListener('activate', (event) => event.waitUntil(dropOldPages()))
self.addEventListener('message', ({ data }: ExtendableMessageEvent) => {
  if (data === takeOverWord) void self.skipWaiting()
})
clientsClaim()

async function keepPage(): Promise<void> {
  const answer = await fetch(page, { cache: 'no-store' })
  if (!answer.ok) throw new Error(`the page cannot be kept: ${answer.status}`)
  await (await caches.open(pages)).put(page, answer)
}

async function dropOldPages(): Promise<void> {
  const old = (await caches.keys()).filter((name) => name.startsWith('page') && name !== pages)
  await Promise.all(old.map((name) => caches.delete(name)))
}

/** A number that tells one set of parts from another (FNV-1a). */
function versionOf(all: readonly (PrecacheEntry | string)[]): string {
  let sum = 0x811c9dc5
  for (const part of all)
    for (const letter of typeof part === 'string' ? part : `${part.url} ${part.revision ?? ''}`)
      sum = Math.imul(sum ^ letter.charCodeAt(0), 0x01000193) >>> 0
  return sum.toString(16)
}

/** The network's answer, or null when there is none within `longestMs`. Nothing waits for the clock: a worker at work does not give way. */
const askNetwork = (request: Request): Promise<Response | null> =>
  Promise.race([
    fetch(request).catch(() => null),
    new Promise<null>((resolve) => {
      setTimeout(() => resolve(null), longestMs)
    }),
  ])
registerRoute(
  new NavigationRoute(
    async ({ request }) => {
      const answer = await askNetwork(request)
      // A door in front of the server answers with a page of its own while the server is away.
      if (answer && answer.status < 500) return answer
      return (await (await caches.open(pages)).match(page)) ?? answer ?? Response.error()
    },
    { denylist: [/^\/api\//] },
  ),
)
