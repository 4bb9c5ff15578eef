import type { DeviceKeys } from '#contract/api/session'

/** Something that was put away so that only its key reads it. */
export interface Sealed {
  readonly iv: Uint8Array<ArrayBuffer>
  readonly data: ArrayBuffer
}

/** Puts things away on this device, and gets them out again: AES-256-GCM under a key that is never written here in the plain. */
export interface Vault {
  put(value: unknown): Promise<Sealed>
  /** What was put away, or undefined where another key, or none, did it. */
  take<T>(sealed: Sealed | undefined): Promise<T | undefined>
  /** A name that says nothing, always the same for the same text. */
  nameOf(text: string): Promise<string>
  /** The key of before the server's keys were rolled, under which things may lie yet; null where there is none. */
  readonly before: Pick<Vault, 'take' | 'nameOf'> | null
  /** Closes an entry for the server alone, with its author's ticket: base64 of key under RSA-OAEP, initial vector, text with tag. */
  seal(event: unknown): Promise<string>
}

const ivBytes = 12

/** Whether this browser can put anything away: without a secure address it has no cryptography. */
export const canSeal = typeof crypto !== 'undefined' && 'subtle' in crypto

/** Two keys that this browser uses and nobody reads out: what is kept lies under the one, its names are made with the other. */
export interface OwnKeys {
  readonly store: CryptoKey
  readonly naming: CryptoKey
}

/** Keys that are made here, and leave here in no form. */
export async function makeOwnKeys(): Promise<OwnKeys> {
  const [store, naming] = await Promise.all([
    crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt']),
    crypto.subtle.generateKey({ name: 'HMAC', hash: 'SHA-256' }, false, ['sign']),
  ])
  return { store, naming }
}

/** @param keys as the server told them */
export async function openVault(keys: DeviceKeys): Promise<Vault> {
  const before = keys.storeBefore === undefined ? null : keeperUnder(await importKeys(keys.storeBefore))
  return openVaultWith({ ...(await importKeys(keys.store)), seal: keys.seal, ticket: keys.ticket }, before)
}

async function importKeys(base64: string): Promise<OwnKeys> {
  const raw = toBytes(base64)
  const store = await crypto.subtle.importKey('raw', raw, 'AES-GCM', false, ['encrypt', 'decrypt'])
  const naming = await crypto.subtle.importKey('raw', raw, { name: 'HMAC', hash: 'SHA-256' }, false, ['sign'])
  return { store, naming }
}

function keeperUnder({ store, naming }: OwnKeys): Pick<Vault, 'take' | 'nameOf'> {
  return {
    async take<T>(sealed: Sealed | undefined) {
      return sealed && (await takeUnder<T>(store, sealed))
    },
    async nameOf(text) {
      return toBase64(await crypto.subtle.sign('HMAC', naming, new TextEncoder().encode(text)))
    },
  }
}

/** A vault under keys that are held here already; what it seals carries the ticket. */
export async function openVaultWith(keys: OwnKeys & Pick<DeviceKeys, 'seal' | 'ticket'>, before: Vault['before'] = null): Promise<Vault> {
  const { store } = keys
  const server = await crypto.subtle.importKey('spki', toBytes(keys.seal), { name: 'RSA-OAEP', hash: 'SHA-256' }, false, ['encrypt'])
  return {
    put: (value) => putUnder(store, value),
    ...keeperUnder(keys),
    before,
    async seal(event) {
      const key = crypto.getRandomValues(new Uint8Array(32))
      const aes = await crypto.subtle.importKey('raw', key, 'AES-GCM', false, ['encrypt'])
      const { iv, data } = await putUnder(aes, { ticket: keys.ticket, event })
      const wrapped = await crypto.subtle.encrypt({ name: 'RSA-OAEP' }, server, key)
      return toBase64(joined(wrapped, iv, data))
    },
  }
}

/** Encrypts a value as JSON. */
export async function putUnder(key: CryptoKey, value: unknown): Promise<Sealed> {
  const iv = crypto.getRandomValues(new Uint8Array(ivBytes))
  const data = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, new TextEncoder().encode(JSON.stringify(value)))
  return { iv, data }
}

/** What was encrypted under a key; undefined under another one. */
export async function takeUnder<T>(key: CryptoKey, { iv, data }: Sealed): Promise<T | undefined> {
  try {
    return JSON.parse(new TextDecoder().decode(await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key, data))) as T
  } catch {
    return undefined
  }
}

function joined(...parts: readonly (ArrayBuffer | Uint8Array<ArrayBuffer>)[]): ArrayBuffer {
  const bytes = new Uint8Array(parts.reduce((sum, part) => sum + part.byteLength, 0))
  let at = 0
  for (const part of parts) {
    bytes.set(new Uint8Array(part), at)
    at += part.byteLength
  }
  return bytes.buffer
}

function toBytes(base64: string): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(atob(base64), (one) => one.charCodeAt(0))
}

function toBase64(bytes: ArrayBuffer): string {
  let text = ''
  for (const one of new Uint8Array(bytes)) text += String.fromCharCode(one)
  return btoa(text)
}
