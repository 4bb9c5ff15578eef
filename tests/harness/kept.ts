import type { EventInput } from '#contract/event'
import { eventSchemasHash } from '#contract/events/event-schemas-hash'
import type { TestBrowser } from './browser/browser'
import { patienceMs } from './patience'

/** What opens in the page what lies on the device: `stores()` gives the person's database and their key. */
const opening = `
  const request = (asked) => new Promise((resolve, reject) => { asked.onsuccess = () => resolve(asked.result); asked.onerror = () => reject(asked.error) })
  const stores = async () => {
    const shared = await request(indexedDB.open('zesty-wren-shared'))
    const device = await request(shared.transaction('facts').objectStore('facts').get('id'))
    shared.close()
    const { person, keys } = await (await fetch('/api/session', { headers: { 'x-wren-device': device } })).json()
    const raw = Uint8Array.from(atob(keys.store), (one) => one.charCodeAt(0))
    const key = await crypto.subtle.importKey('raw', raw, 'AES-GCM', false, ['encrypt', 'decrypt'])
    return { db: await request(indexedDB.open('zesty-wren-kept-' + person.id)), key }
  }
`

const drafts = (browser: TestBrowser): Promise<readonly string[]> =>
  browser.evaluateAsync(
    `const [done] = arguments
     ${opening}
     stores().then(async ({ db, key }) => {
       const all = await request(db.transaction('drafts').objectStore('drafts').getAll())
       db.close()
       const open = async ({ iv, data }) => JSON.parse(new TextDecoder().decode(await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key, data)))
       done(await Promise.all(all.map(open)))
     })`,
  )

/** Waits until a text that was typed stands in the device's own store. */
export async function draftIsKept(browser: TestBrowser, wanted: RegExp): Promise<void> {
  await browser.driver.wait(
    async () => (await drafts(browser)).some((draft) => wanted.test(draft)),
    patienceMs,
    `${String(wanted)} was not kept`,
  )
}

/** Waits until a text that was sent no longer stands there. */
export async function draftIsGone(browser: TestBrowser, wanted: RegExp): Promise<void> {
  await browser.driver.wait(async () => !(await drafts(browser)).some((draft) => wanted.test(draft)), patienceMs, `${String(wanted)} stays`)
}

/**
 * Puts an entry among those that wait on the device, as an earlier page would have left it.
 * @param schemas of the version that left it: of this one, unless said
 */
export async function leaveWaiting(browser: TestBrowser, event: EventInput, schemas = eventSchemasHash): Promise<void> {
  await browser.evaluateAsync(
    `const [text, schemas, done] = arguments
     ${opening}
     stores().then(async ({ db, key }) => {
       const iv = crypto.getRandomValues(new Uint8Array(12))
       const data = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, new TextEncoder().encode(text))
       await request(db.transaction('outbox', 'readwrite').objectStore('outbox').put({ sealed: { iv, data }, order: 1, schemas }, JSON.parse(text).id))
       db.close()
       done()
     })`,
    JSON.stringify(event),
    schemas,
  )
}

/** Waits until a worker answers for this page and has everything that it was told to keep. */
export async function waitForKeptApplication({ driver, evaluateAsync }: TestBrowser): Promise<void> {
  const isKept = (): Promise<boolean> =>
    evaluateAsync(
      `const [done] = arguments
       navigator.serviceWorker.getRegistration().then(async (one) => {
         const page = await caches.match('/')
         done(one?.active?.state === 'activated' && navigator.serviceWorker.controller !== null && page !== undefined)
       })`,
    )
  await driver.wait(isKept, patienceMs, 'the application was not kept on the device')
}

/** Whether the device has kept these cases. */
export function casesAreKept(browser: TestBrowser, ids: readonly string[]): Promise<boolean> {
  return browser.evaluateAsync(
    `const [ids, done] = arguments
     ${opening}
     stores().then(async ({ db }) => {
       const kept = await request(db.transaction('cases').objectStore('cases').getAllKeys())
       db.close()
       done(ids.every((id) => kept.includes(id)))
     })`,
    ids,
  )
}
