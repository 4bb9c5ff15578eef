import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'

/** Wraps secrets that lie in the database by a key that does not. */
export interface MasterKey {
  /** @param name what the secret is, which is bound to it: it opens in no other place */
  wrap(name: string, secret: string): string
  /** @throws with a sentence that names the setting, where the key is missing or another one */
  unwrap(name: string, kept: string): string
  /** Whether a secret lies there as this key would leave it: wrapped, or plain without a key. */
  isInForm(kept: string): boolean
}

const mark = 'wrapped1.'
const [keyBytes, ivBytes, tagBytes] = [32, 12, 16]

/** @param key 32 bytes; null leaves secrets as they are */
export function createMasterKey(key: Buffer | null): MasterKey {
  return {
    wrap(name, secret) {
      if (!key) return secret
      const iv = randomBytes(ivBytes)
      const cipher = createCipheriv('aes-256-gcm', key, iv).setAAD(Buffer.from(name))
      const data = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()])
      return mark + Buffer.concat([iv, cipher.getAuthTag(), data]).toString('base64url')
    },
    unwrap(name, kept) {
      if (!kept.startsWith(mark)) return kept
      if (!key)
        throw new Error(
          'The secrets in this database are wrapped: set WREN_MASTER_KEY, or WREN_MASTER_KEY_FILE, to the key that wrapped them.',
        )
      const bytes = Buffer.from(kept.slice(mark.length), 'base64url')
      const decipher = createDecipheriv('aes-256-gcm', key, bytes.subarray(0, ivBytes)).setAAD(Buffer.from(name))
      decipher.setAuthTag(bytes.subarray(ivBytes, ivBytes + tagBytes))
      try {
        return Buffer.concat([decipher.update(bytes.subarray(ivBytes + tagBytes)), decipher.final()]).toString('utf8')
      } catch {
        throw new Error('WREN_MASTER_KEY is not the key that wrapped the secrets in this database: set the one that did.')
      }
    },
    isInForm: (kept) => kept.startsWith(mark) === (key !== null),
  }
}

/**
 * The key of the environment: as it is, or in a file.
 * @param name `WREN_MASTER_KEY`; the file is named by the same with `_FILE`
 * @returns null where neither is set
 * @throws with a sentence that names the setting and what it must be
 */
export function readMasterKey(env: Readonly<Record<string, string | undefined>>, name: string): Buffer | null {
  const [text, file] = [env[name], env[`${name}_FILE`]]
  if (text && file) throw new Error(`${name} and ${name}_FILE are both set: leave one out.`)
  if (!text && !file) return null
  const key = Buffer.from(text ?? readKeyFile(`${name}_FILE`, file ?? ''), 'base64')
  if (key.length !== keyBytes)
    throw new Error(`${text ? name : `${name}_FILE`} must hold 32 bytes in base64 (openssl rand -base64 32 makes them), not ${key.length}.`)
  return key
}

function readKeyFile(setting: string, file: string): string {
  try {
    return readFileSync(file, 'utf8').trim()
  } catch {
    throw new Error(`${setting} names ${file}, which cannot be read: check that it is there and that the server may read it.`)
  }
}
