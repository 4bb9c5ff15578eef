// The key of backups: with it each is encrypted and signed, so that whoever finds one reads nothing, and whoever changes one is found out.
import { createCipheriv, createDecipheriv, createHmac, hkdfSync, randomBytes, timingSafeEqual } from 'node:crypto'
import { closeSync, openSync, readFileSync, readSync, statSync } from 'node:fs'
import { Transform } from 'node:stream'
import { PlainError } from './needs.mjs'

const magic = Buffer.from('wren-backup-1\n')
const ivBytes = 12
const tagBytes = 16

/**
 * The key of WREN_BACKUP_KEY, or of the file that WREN_BACKUP_KEY_FILE names: 32 bytes in base64.
 * @returns keys for encrypting and for signing, or null where none is set
 */
export function readBackupKey(env = process.env) {
  const file = env.WREN_BACKUP_KEY_FILE
  let text = env.WREN_BACKUP_KEY
  if (text && file) throw new PlainError('WREN_BACKUP_KEY and WREN_BACKUP_KEY_FILE are both set: keep one.')
  if (file) {
    try {
      text = readFileSync(file, 'utf8').trim()
    } catch (error) {
      throw new PlainError(`WREN_BACKUP_KEY_FILE names ${file}, which cannot be read: ${error.code}.`)
    }
  }
  if (!text) return null
  const key = Buffer.from(text, 'base64')
  if (key.length !== 32 || key.toString('base64') !== text)
    throw new PlainError('The key of backups must be 32 bytes in base64: make one with openssl rand -base64 32.')
  const derive = (use) => Buffer.from(hkdfSync('sha256', key, '', `zesty-wren backup ${use}`, 32))
  return { encrypting: derive('encrypting'), signing: derive('signing') }
}

/** A signature over what passes; null key signs nothing. */
export function signing(key) {
  const hmac = key ? createHmac('sha256', key.signing) : null
  return { update: (chunk) => hmac?.update(chunk), digest: () => hmac?.digest('hex') ?? null }
}

/** Whether a signature is the one wanted; takes the same time either way. */
export function isSameSignature(one, other) {
  const [a, b] = [Buffer.from(one ?? '', 'hex'), Buffer.from(other ?? '', 'hex')]
  return a.length === 32 && a.length === b.length && timingSafeEqual(a, b)
}

/** Encrypts what passes (AES-256-GCM): the magic word, the nonce, what was said, the tag. */
export function encrypting(key) {
  const iv = randomBytes(ivBytes)
  const cipher = createCipheriv('aes-256-gcm', key.encrypting, iv)
  let isBegun = false
  return new Transform({
    transform(chunk, _encoding, done) {
      if (!isBegun) this.push(Buffer.concat([magic, iv]))
      isBegun = true
      done(null, cipher.update(chunk))
    },
    flush(done) {
      if (!isBegun) this.push(Buffer.concat([magic, iv]))
      this.push(cipher.final())
      done(null, cipher.getAuthTag())
    },
  })
}

/** Whether a file is an encrypted backup. */
export function isEncrypted(file) {
  if (statSync(file).size < magic.length) return false
  const start = Buffer.alloc(magic.length)
  const opened = openSync(file, 'r')
  readSync(opened, start, 0, magic.length, 0)
  closeSync(opened)
  return start.equals(magic)
}

/** Opens what `encrypting` closed; fails at the end where it is not whole, or the key is another one. */
export function decrypting(key) {
  const head = magic.length + ivBytes
  let held = Buffer.alloc(0)
  let decipher = null
  return new Transform({
    transform(chunk, _encoding, done) {
      held = Buffer.concat([held, chunk])
      if (!decipher && held.length >= head) {
        decipher = createDecipheriv('aes-256-gcm', key.encrypting, held.subarray(magic.length, head))
        held = held.subarray(head)
      }
      // The last bytes may be the tag.
      const ready = decipher ? held.length - tagBytes : 0
      if (ready <= 0) return done()
      const out = decipher.update(held.subarray(0, ready))
      held = held.subarray(ready)
      done(null, out)
    },
    flush(done) {
      try {
        decipher.setAuthTag(held)
        done(null, decipher.final())
      } catch {
        done(new Error('it is not whole, or it was encrypted with another key'))
      }
    },
  })
}
