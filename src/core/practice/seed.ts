/**
 * A seed of any letters or digits as the number that generators take: FNV-1a over its UTF-16 units, so that 40 digits differ in their last.
 * @returns 0 to 2³² − 1
 */
export function seedNumber(seed: string): number {
  let hash = 0x811c9dc5
  for (let at = 0; at < seed.length; at++) {
    hash ^= seed.charCodeAt(at)
    hash = Math.imul(hash, 0x01000193) >>> 0
  }
  return hash
}
