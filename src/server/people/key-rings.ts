import { createPrivateKey, generateKeyPairSync, randomBytes, type KeyObject } from 'node:crypto'
import type { SecretRepository } from '../repositories/secrets'

/** So long an entry may wait on a device for somebody to send it under its author's name, and so long keys of before are good. */
export const ticketMs = 14 * 86_400_000

/** The root of what lies on devices and the key that opens what they seal, newest first, each with the time until which it is good. */
export interface KeyRings {
  readonly roots: readonly { readonly root: Buffer; readonly untilMs: number }[]
  readonly seals: readonly { readonly key: KeyObject; readonly untilMs: number }[]
}

/** A key that was rolled, as it is kept. */
interface Rolled {
  readonly secret: string
  readonly untilMs: number
}

/** Names under which the keys of now, and of before, are kept. */
export const rolledNames = { device: 'device-before', seal: 'seal-before' } as const

export async function readKeyRings(secrets: Pick<SecretRepository, 'read' | 'readOrMake'>): Promise<KeyRings> {
  const [root, seal, rootBefore, sealBefore] = await Promise.all([
    secrets.readOrMake('device', makeSecret.device),
    secrets.readOrMake('seal', makeSecret.seal),
    secrets.read(rolledNames.device),
    secrets.read(rolledNames.seal),
  ])
  const ring = (now: string, before: string | null): readonly Rolled[] => [
    { secret: now, untilMs: Infinity },
    ...(before === null ? [] : [JSON.parse(before) as Rolled]),
  ]
  return {
    roots: ring(root, rootBefore).map(({ secret, untilMs }) => ({ root: Buffer.from(secret, 'hex'), untilMs })),
    seals: ring(seal, sealBefore).map(({ secret, untilMs }) => ({ key: createPrivateKey(secret), untilMs })),
  }
}

export const makeSecret = {
  device: (): string => randomBytes(32).toString('hex'),
  seal: (): string => generateKeyPairSync('rsa', { modulusLength: 2048 }).privateKey.export({ type: 'pkcs8', format: 'pem' }).toString(),
} as const

/** A key of now as one of before: good for as long as a ticket may be. */
export function rolled(secret: string, nowMs: number): string {
  return JSON.stringify({ secret, untilMs: nowMs + ticketMs } satisfies Rolled)
}
