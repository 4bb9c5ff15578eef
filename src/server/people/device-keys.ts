import {
  constants,
  createDecipheriv,
  createHmac,
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  privateDecrypt,
  randomBytes,
  timingSafeEqual,
  type KeyObject,
} from 'node:crypto'
import type { DeviceKeys } from '#contract/api/session'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { SecretRepository } from '../repositories/secrets'

/** So long an entry may wait on a device for somebody to send it under its author's name. */
const ticketMs = 14 * 86_400_000
const ivBytes = 12
const tagBytes = 16

/** What is in a sealed entry. */
export interface Unsealed {
  readonly personId: string
  /** Of the author when it was sealed; it has to be theirs still. */
  readonly epoch: number
  /** The paired device that it was sealed on, with its epoch then; null on any other. */
  readonly device: { readonly id: string; readonly epoch: number } | null
  readonly event: unknown
}

/**
 * The keys of what lies on devices. A device keeps what it knows of patients under a key that only the server tells, to whoever is signed in;
 * what waits to be sent is sealed to the server, with a ticket of its author, so that anybody's session may carry it.
 */
export function createDeviceKeys(secrets: SecretRepository, clock: Clock) {
  let root: Promise<string> | undefined
  let pair: Promise<{ readonly privateKey: KeyObject; readonly spki: string }> | undefined

  const readRoot = (): Promise<string> => remembered(() => secrets.readOrMake('device', () => randomBytes(32).toString('hex')))
  const remembered = (make: () => Promise<string>): Promise<string> => {
    root ??= make()
    root.catch(() => (root = undefined))
    return root
  }
  const readPair = (): NonNullable<typeof pair> => {
    pair ??= secrets.readOrMake('seal', makePrivateKey).then((pem) => {
      const privateKey = createPrivateKey(pem)
      return { privateKey, spki: createPublicKey(privateKey).export({ type: 'spki', format: 'der' }).toString('base64') }
    })
    pair.catch(() => (pair = undefined))
    return pair
  }
  const sign = async (what: string): Promise<Buffer> =>
    createHmac('sha256', Buffer.from(await readRoot(), 'hex'))
      .update(what)
      .digest()

  return {
    /**
     * What a page needs to keep and to send what is entered on a device.
     * @param device as it names itself: the same person has another key on another one
     * @param paired the account of the device, where it is paired
     */
    async keysOf({ id: personId, epoch }: Bearer, device: string, paired: Bearer | null): Promise<DeviceKeys> {
      const until = clock() + ticketMs
      const ticket = [personId, epoch, paired?.id ?? '', paired?.epoch ?? '', until].join('.')
      return {
        store: (await sign(`store|${personId}|${device}`)).toString('base64'),
        seal: (await readPair()).spki,
        ticket: `${ticket}.${(await sign(`ticket|${ticket}`)).toString('base64url')}`,
      }
    },

    /**
     * Opens what a device sealed: an AES-256-GCM key under RSA-OAEP (256 bytes), then the initial vector (12), the text and its tag (16).
     * @throws ApiError 422 for what was not sealed for this server, or carries a ticket that is not good any more
     */
    async open(sealed: Buffer): Promise<Unsealed> {
      const { privateKey } = await readPair()
      let content: { ticket?: unknown; event?: unknown }
      try {
        const wrapped = sealed.subarray(0, 256)
        const iv = sealed.subarray(256, 256 + ivBytes)
        const text = sealed.subarray(256 + ivBytes, sealed.length - tagBytes)
        const key = privateDecrypt({ key: privateKey, padding: constants.RSA_PKCS1_OAEP_PADDING, oaepHash: 'sha256' }, wrapped)
        const decipher = createDecipheriv('aes-256-gcm', key, iv)
        decipher.setAuthTag(sealed.subarray(sealed.length - tagBytes))
        content = JSON.parse(Buffer.concat([decipher.update(text), decipher.final()]).toString('utf8')) as typeof content
      } catch {
        throw new ApiError(
          422,
          'not-sealed',
          'This was not sealed for this server: it stays on the device until its author signs in there.',
        )
      }
      const parts = String(content.ticket).split('.')
      const signature = parts.at(-1) ?? ''
      const right = await sign(`ticket|${parts.slice(0, -1).join('.')}`)
      const { personId, epoch, device, until } = readTicket(parts)
      const given = Buffer.from(signature, 'base64url')
      const isGenuine = given.length === right.length && timingSafeEqual(given, right)
      if (!isGenuine || !(until > clock()))
        throw new ApiError(
          422,
          'ticket-over',
          'This has waited too long to be sent by somebody else: its author has to sign in on this device.',
        )
      return { personId, epoch, device, event: content.event }
    },
  }
}

/** Whose ticket it is, or on whose device. */
type Bearer = { readonly id: string; readonly epoch: number }

/** A ticket: author, epoch, device, its epoch, until when, signature; before there were epochs author, until when, signature, which counts as epoch 0. */
function readTicket(parts: readonly string[]): Omit<Unsealed, 'event'> & { readonly until: number } {
  const [personId = ''] = parts
  if (parts.length === 3) return { personId, epoch: 0, device: null, until: Number(parts[1]) }
  const [, epoch, deviceId = '', deviceEpoch, until] = parts
  return {
    personId,
    epoch: Number(epoch),
    device: deviceId === '' ? null : { id: deviceId, epoch: Number(deviceEpoch) },
    until: Number(until),
  }
}

export type DeviceKeyService = ReturnType<typeof createDeviceKeys>

function makePrivateKey(): string {
  return generateKeyPairSync('rsa', { modulusLength: 2048 }).privateKey.export({ type: 'pkcs8', format: 'pem' }).toString()
}
