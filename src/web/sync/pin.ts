import type { DeviceKeys, Person } from '#contract/api/session'
import { putUnder, takeUnder, type Sealed } from './vault'

/** Who works here and their keys, put away under a short PIN, so that the device starts without a line. */
export interface Pinned {
  readonly salt: Uint8Array<ArrayBuffer>
  readonly sealed: Sealed
  /** Wrong tries so far. */
  readonly tries: number
  /** Nothing is tried before, ms since the epoch by the device's clock. */
  readonly waitUntilMs?: number
  /** When the server last said who it is, ms since the epoch by the device's clock. */
  readonly provenMs: number
  /** Of the key that it opens, so that another one is noticed; left out by pages of before. */
  readonly mark?: string
}

export interface Pinning {
  readonly person: Person
  readonly keys: DeviceKeys
}

/** A short PIN is soon tried through by a machine: each try is made to cost it something. */
const rounds = 600_000

/** Puts a person and their keys away under a PIN. */
export async function pinUp(pinning: Pinning, pin: string, provenMs: number): Promise<Pinned> {
  const salt = crypto.getRandomValues(new Uint8Array(16))
  return { salt, sealed: await putUnder(await keyOf(pin, salt), pinning), tries: 0, provenMs, mark: await markOf(pinning.keys) }
}

/** Whether a PIN opens the keys that the server tells now: they are others once the server's keys were rolled. */
export async function opensKeys({ mark }: Pinned, keys: DeviceKeys | null): Promise<boolean> {
  return keys === null || (mark === undefined ? keys.storeBefore === undefined : mark === (await markOf(keys)))
}

async function markOf({ store }: DeviceKeys): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(`mark ${store}`)))
  return digest.slice(0, 8).join('.')
}

/** What a PIN opens; undefined for a wrong one. */
export async function unpin({ salt, sealed }: Pinned, pin: string): Promise<Pinning | undefined> {
  return takeUnder<Pinning>(await keyOf(pin, salt), sealed)
}

async function keyOf(pin: string, salt: Uint8Array<ArrayBuffer>): Promise<CryptoKey> {
  const from = await crypto.subtle.importKey('raw', new TextEncoder().encode(pin), 'PBKDF2', false, ['deriveKey'])
  return crypto.subtle.deriveKey(
    { name: 'PBKDF2', hash: 'SHA-256', salt, iterations: rounds },
    from,
    { name: 'AES-GCM', length: 256 },
    false,
    ['encrypt', 'decrypt'],
  )
}
