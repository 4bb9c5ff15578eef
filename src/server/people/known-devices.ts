import { createHmac, randomUUID, timingSafeEqual } from 'node:crypto'
import type { SecretRepository } from '../repositories/secrets'
import { readKeyRings } from './key-rings'

/** So many people a device remembers: those of a ward's own computer. */
const mostKept = 24
const tagBytes = 16
/** Its name, then a mark for each account. */
export const longestKnown = 40 + mostKept * 23

/**
 * Devices on which an account signed in well before. What a device calls itself is the caller's own word; this is the server's: a cookie with
 * a name that the server made, and for each account a mark that only the server can make (HMAC-SHA-256, 16 bytes).
 */
export function createKnownDevices(secrets: Pick<SecretRepository, 'read' | 'readOrMake'>) {
  let roots: Promise<readonly Buffer[]> | undefined
  const readRoots = (): Promise<readonly Buffer[]> => {
    roots ??= readKeyRings(secrets).then((rings) => rings.roots.map((root) => root.root))
    roots.catch(() => (roots = undefined))
    return roots
  }
  return {
    /**
     * The name of the device that a cookie is of, where this account signed in well on it before; null for any other.
     * @param signIn in its one form
     */
    async knows(cookie: string | null, signIn: string): Promise<string | null> {
      const { device, marks } = read(cookie)
      if (device === null) return null
      const right = (await readRoots()).map((root) => markOf(root, device, signIn))
      const given = marks.map((mark) => Buffer.from(mark, 'base64url')).filter((mark) => mark.length === tagBytes)
      return given.some((mark) => right.some((one) => timingSafeEqual(mark, one))) ? device : null
    },
    /** The cookie once an account has signed in well: the newest first, and no more than fit. */
    async remember(cookie: string | null, signIn: string): Promise<string> {
      const before = read(cookie)
      const device = before.device ?? randomUUID()
      const [root] = await readRoots()
      if (!root) throw new Error('There is no key that marks devices')
      const own = markOf(root, device, signIn).toString('base64url')
      return [device, own, ...before.marks.filter((mark) => mark !== own).slice(0, mostKept - 1)].join('.')
    },
  }
}

export type KnownDevices = ReturnType<typeof createKnownDevices>

function read(cookie: string | null): { readonly device: string | null; readonly marks: readonly string[] } {
  const [device = '', ...marks] = (cookie ?? '').split('.')
  return /^[0-9a-f-]{36}$/.test(device) ? { device, marks } : { device: null, marks: [] }
}

function markOf(root: Buffer, device: string, signIn: string): Buffer {
  return createHmac('sha256', root).update(`known|${device}|${signIn}`).digest().subarray(0, tagBytes)
}
