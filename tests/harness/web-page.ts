import type { DeviceKeys } from '../../src/contract/api/session'
import type * as Parts from './web-page-parts'

/** What a page of the application keeps for itself: loaded anew for every page, over the one device that all of them share. */
export type WebPage = typeof Parts

/** A page that has just been loaded. */
export async function loadPage(): Promise<WebPage> {
  const { tsImport } = await import('tsx/esm/api')
  return (await tsImport('./web-page-parts.ts', import.meta.url)) as WebPage
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
