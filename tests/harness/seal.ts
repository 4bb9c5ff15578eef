import { constants, createCipheriv, createPublicKey, publicEncrypt, randomBytes } from 'node:crypto'
import type { DeviceKeys } from '../../src/contract/api/session'

/** Seals content for the server as a device does: an AES key under RSA-OAEP, the initial vector, the text with its tag; base64. */
export function sealFor({ seal }: Pick<DeviceKeys, 'seal'>, content: unknown): string {
  const [key, iv] = [randomBytes(32), randomBytes(12)]
  const cipher = createCipheriv('aes-256-gcm', key, iv)
  const text = Buffer.concat([cipher.update(JSON.stringify(content), 'utf8'), cipher.final(), cipher.getAuthTag()])
  const spki = createPublicKey({ key: Buffer.from(seal, 'base64'), format: 'der', type: 'spki' })
  const wrapped = publicEncrypt({ key: spki, padding: constants.RSA_PKCS1_OAEP_PADDING, oaepHash: 'sha256' }, key)
  return Buffer.concat([wrapped, iv, text]).toString('base64')
}
