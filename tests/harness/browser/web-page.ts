import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'vite'
import type { DeviceKeys } from '../../../src/contract/api/session'
import type * as Parts from './web-page-parts'
import { root } from '../root'

/** What a page of the application keeps for itself: loaded anew for every page, over the one device that all of them share. */
export type WebPage = typeof Parts

let bundled: Promise<string> | null = null
let loaded = 0

/** A page that has just been loaded: the parts are bundled once, and each page is that bundle anew. */
export async function loadPage(): Promise<WebPage> {
  const file = await (bundled ??= bundle())
  return (await import(`${file}?page=${++loaded}`)) as WebPage
}

async function bundle(): Promise<string> {
  const checkout = fileURLToPath(root)
  const entry = fileURLToPath(new URL('tests/harness/browser/web-page-parts.ts', root))
  const made = await build({
    configFile: false,
    root: checkout,
    logLevel: 'error',
    ssr: { noExternal: true },
    build: { write: false, ssr: entry, target: 'node20', minify: false, rollupOptions: { output: { codeSplitting: false } } },
  })
  const [output] = [made].flat().flatMap((one) => ('output' in one ? one.output : []))
  if (output?.type !== 'chunk') throw new Error('the parts of a page could not be bundled')
  // Within the project, so that what is left of imports is found.
  const folder = mkdtempSync(join(checkout, 'node_modules', '.page-of-tests-'))
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  writeFileSync(join(folder, 'page.mjs'), output.code)
  return join(folder, 'page.mjs')
}

/** Signs somebody in on a page. @param wrap puts something between the page and the device's store */
export async function signInOn(
  page: WebPage,
  personId: string,
  keys: DeviceKeys,
  wrap: (durable: Parts.Durable) => Parts.Durable = (durable) => durable,
): Promise<Parts.Durable> {
  const durable = await page.openDurable(personId, await page.openVault(keys))
  const person = { id: personId, name: personId, signIn: 'x', roles: [], settings: {} as never, version: 1 }
  page.useSession.setState({ state: { status: 'signed-in', person, durable: wrap(durable), keys: null } })
  return durable
}
