import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

/** What a hash costs: memory and time grow with N. */
export interface HashCost {
  readonly N: number
  readonly r: number
  readonly p: number
}

const usualCost: HashCost = { N: 2 ** 15, r: 8, p: 1 }
const mostMemory = 64 * 1024 * 1024
const keyLength = 32

/** A memory-hard hash of a password (scrypt, 32 MiB), with its own salt and cost written into it. */
export async function hashPassword(password: string, cost = usualCost): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, salt, cost)
  return `scrypt$${cost.N}$${cost.r}$${cost.p}$${salt.toString('base64')}$${key.toString('base64')}`
}

/** A hash of 32 random bytes that nobody types: no machine tries them through, so it costs nothing to look at each time. */
export function hashSecret(secret: string): string {
  return `sha256$${digestOf(secret).toString('base64')}`
}

/** Whether a password, or a secret, is the one that was hashed, at the cost of that hash; takes the same time either way. */
export async function verifyPassword(password: string, stored: string): Promise<boolean> {
  const [scheme, N, r, p, salt, key] = stored.split('$')
  if (scheme === 'sha256' && N) return timingSafeEqual(digestOf(password), Buffer.from(N, 'base64'))
  if (scheme !== 'scrypt' || !salt || !key) return false
  const expected = Buffer.from(key, 'base64')
  const actual = await derive(password, Buffer.from(salt, 'base64'), { N: Number(N), r: Number(r), p: Number(p) })
  return expected.length === actual.length && timingSafeEqual(expected, actual)
}

function digestOf(secret: string): Buffer {
  return createHash('sha256').update(secret).digest()
}

function derive(password: string, salt: Buffer, cost: HashCost): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, keyLength, { ...cost, maxmem: mostMemory }, (error, key) =>
      error ? reject(error) : resolve(key),
    )
  })
}
