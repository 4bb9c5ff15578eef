import { clientsClaim } from 'workbox-core'
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { NetworkOnly } from 'workbox-strategies'

// Starts the application where there is no network: every part of it lies in the device's cache from the first visit on. Data never
// passes through here: what the server says goes to the page, and the page keeps what it needs.

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: (PrecacheEntry | string)[] }

const pages = 'page'
const page = '/'
const longestMs = 3_000

precacheAndRoute(self.__WB_MANIFEST)
cleanupOutdatedCaches()

// The page belongs to the parts that were cached with it, so it is kept when they are, and never with those of another version.
self.addEventListener('install', (event) => {
  event.waitUntil(keepPage())
  void self.skipWaiting()
})
clientsClaim()

async function keepPage(): Promise<void> {
  const answer = await fetch(page, { cache: 'no-store' })
  if (!answer.ok) throw new Error(`the page cannot be kept: ${answer.status}`)
  await (await caches.open(pages)).put(page, answer)
}

const network = new NetworkOnly({ networkTimeoutSeconds: longestMs / 1_000 })
registerRoute(
  new NavigationRoute(
    async (options) => {
      const answer = await network.handle(options).catch(() => null)
      // A door in front of the server answers with a page of its own while the server is away.
      if (answer && answer.status < 500) return answer
      return (await (await caches.open(pages)).match(page)) ?? answer ?? Response.error()
    },
    { denylist: [/^\/api\//] },
  ),
)
