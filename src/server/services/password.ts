import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

const cost = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
const keyLength = 32

/** A memory-hard hash of a password (scrypt, 32 MiB), with its own salt and cost written into it. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, salt)
  return `scrypt$${cost.N}$${cost.r}$${cost.p}$${salt.toString('base64')}$${key.toString('base64')}`
}

/** Whether a password is the one that was hashed; takes the same time either way. */
export async function verifyPassword(password: string, stored: string): Promise<boolean> {
  const [scheme, , , , salt, key] = stored.split('$')
  if (scheme !== 'scrypt' || !salt || !key) return false
  const expected = Buffer.from(key, 'base64')
  const actual = await derive(password, Buffer.from(salt, 'base64'))
  return expected.length === actual.length && timingSafeEqual(expected, actual)
}

function derive(password: string, salt: Buffer): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, keyLength, cost, (error, key) => (error ? reject(error) : resolve(key)))
  })
}
