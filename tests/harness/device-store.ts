import 'fake-indexeddb/auto'
import { openDurable, type Durable } from '../../src/web/sync/durable'
import { useSession } from '../../src/web/sync/session-store'
import { openVault } from '../../src/web/sync/vault'
import { createDeviceKeys } from '../../src/server/people/device-keys'
import type { DeviceKeys } from '../../src/contract/api/session'

/** The server's keys over secrets that are kept nowhere. */
export function keysInMemory(nowMs = Date.parse('2026-01-10T08:00:00Z')) {
  const kept = new Map<string, string>()
  return createDeviceKeys(
    {
      read: (name) => Promise.resolve(kept.get(name) ?? null),
      readOrMake: (name, make) => {
        if (!kept.has(name)) kept.set(name, make())
        return Promise.resolve(kept.get(name) ?? '')
      },
    },
    () => nowMs,
  )
}

const server = keysInMemory()

/** The keys of a person on the device of these tests: the same whenever they are asked for. */
export function keysFor(personId: string): Promise<DeviceKeys> {
  return server.keysOf({ id: personId, epoch: 0, roles: [] }, 'tablet', null)
}

/** Signs somebody in on this device, with a store in memory that outlasts a reload. */
export async function signInHere(personId: string): Promise<Durable> {
  const durable = await openDurable(personId, await openVault(await keysFor(personId)))
  const person = { id: personId, name: personId, signIn: 'x', roles: [], settings: {} as never, version: 1 }
  useSession.setState({ state: { status: 'signed-in', person, durable, keys: null } })
  return durable
}
