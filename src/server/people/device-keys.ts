import { constants, createDecipheriv, createHmac, createPublicKey, privateDecrypt, timingSafeEqual, type KeyObject } from 'node:crypto'
import type { DeviceKeys } from '#contract/api/session'
import { isRole, type Role } from '#contract/rights'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { SecretRepository } from '../repositories/secrets'
import { readKeyRings, ticketMs, type KeyRings } from './key-rings'

const ivBytes = 12
const tagBytes = 16

/** What is in a sealed entry. */
export interface Unsealed {
  readonly personId: string
  /** Of the author when it was sealed; it has to be theirs still. */
  readonly epoch: number
  /** What they might do when the ticket was given. */
  readonly roles: readonly Role[]
  /** The paired device that it was sealed on, with its epoch then; null on any other. */
  readonly device: { readonly id: string; readonly epoch: number } | null
  /** Its ticket has run out. */
  readonly isTooOld: boolean
  readonly event: unknown
}

/**
 * The keys of what lies on devices. A device keeps what it knows of patients under a key that only the server tells, to whoever is signed in;
 * what waits to be sent is sealed to the server, with a ticket of its author, so that anybody's session may carry it.
 */
export function createDeviceKeys(secrets: SecretRepository, clock: Clock) {
  let rings: Promise<KeyRings> | undefined
  const readRings = (): Promise<KeyRings> => {
    rings ??= readKeyRings(secrets)
    rings.catch(() => (rings = undefined))
    return rings
  }
  /** The roots and seals that are good now: those of before for as long as a ticket may be. */
  const good = async (): Promise<{ readonly roots: readonly Buffer[]; readonly seals: readonly KeyObject[] }> => {
    const isGood = ({ untilMs }: { readonly untilMs: number }): boolean => untilMs > clock()
    const { roots, seals } = await readRings()
    return { roots: roots.filter(isGood).map((root) => root.root), seals: seals.filter(isGood).map((seal) => seal.key) }
  }

  return {
    /**
     * What a page needs to keep and to send what is entered on a device.
     * @param device as it names itself: the same person has another key on another one
     * @param paired the account of the device, where it is paired
     */
    async keysOf({ id: personId, epoch, roles }: Author, device: string, paired: Bearer | null): Promise<DeviceKeys> {
      const {
        roots: [root = Buffer.alloc(0), before],
        seals: [seal],
      } = await good()
      if (!seal) throw new Error('There is no key that closes entries')
      const until = clock() + ticketMs
      const ticket = [personId, epoch, roles.join('+'), paired?.id ?? '', paired?.epoch ?? '', until].join('.')
      const storeUnder = (key: Buffer): string => sign(key, `store|${personId}|${device}`).toString('base64')
      return {
        store: storeUnder(root),
        ...(before ? { storeBefore: storeUnder(before) } : {}),
        seal: createPublicKey(seal).export({ type: 'spki', format: 'der' }).toString('base64'),
        ticket: `${ticket}.${sign(root, `ticket|${ticket}`).toString('base64url')}`,
      }
    },

    /**
     * Opens what a device sealed: an AES-256-GCM key under RSA-OAEP (256 bytes), then the initial vector (12), the text and its tag (16).
     * @throws ApiError 422 for what was not sealed for this server, or carries no ticket of it
     */
    async open(sealed: Buffer): Promise<Unsealed> {
      const { roots: rootsNow, seals } = await good()
      const content = unseal(sealed, seals)
      if (!content)
        throw new ApiError(
          422,
          'not-sealed',
          'This was not sealed for this server: it stays on the device until its author signs in there.',
        )
      const parts = String(content.ticket).split('.')
      const signature = parts.at(-1) ?? ''
      const given = Buffer.from(signature, 'base64url')
      const isGenuine = rootsNow.some((root) => {
        const right = sign(root, `ticket|${parts.slice(0, -1).join('.')}`)
        return given.length === right.length && timingSafeEqual(given, right)
      })
      if (!isGenuine)
        throw new ApiError(422, 'ticket-over', 'This carries no ticket of this server: its author has to sign in on this device.')
      const { until, ...ticket } = readTicket(parts)
      return { ...ticket, isTooOld: !(until > clock()), event: content.event }
    },
  }
}

/** Whose ticket it is, or on whose device. */
type Bearer = { readonly id: string; readonly epoch: number }
type Author = Bearer & { readonly roles: readonly Role[] }

/** A ticket: author, epoch, roles, device, its epoch, until when, signature. */
function readTicket(parts: readonly string[]): Omit<Unsealed, 'event' | 'isTooOld'> & { readonly until: number } {
  const [personId = '', epoch, roles = '', deviceId = '', deviceEpoch, until] = parts
  return {
    personId,
    epoch: Number(epoch),
    roles: roles.split('+').filter(isRole),
    device: deviceId === '' ? null : { id: deviceId, epoch: Number(deviceEpoch) },
    until: Number(until),
  }
}

export type DeviceKeyService = ReturnType<typeof createDeviceKeys>

/** What is in a sealed entry, opened by the first key that does; null where none does. */
function unseal(sealed: Buffer, keys: readonly KeyObject[]): { readonly ticket?: unknown; readonly event?: unknown } | null {
  for (const key of keys) {
    try {
      const wrapped = sealed.subarray(0, 256)
      const iv = sealed.subarray(256, 256 + ivBytes)
      const text = sealed.subarray(256 + ivBytes, sealed.length - tagBytes)
      const own = privateDecrypt({ key, padding: constants.RSA_PKCS1_OAEP_PADDING, oaepHash: 'sha256' }, wrapped)
      const decipher = createDecipheriv('aes-256-gcm', own, iv)
      decipher.setAuthTag(sealed.subarray(sealed.length - tagBytes))
      return JSON.parse(Buffer.concat([decipher.update(text), decipher.final()]).toString('utf8')) as { ticket?: unknown; event?: unknown }
    } catch {
      // Sealed for the key of before, or not for this server.
    }
  }
  return null
}

function sign(root: Buffer, what: string): Buffer {
  return createHmac('sha256', root).update(what).digest()
}
