/**
 * A seed of any letters or digits as the number that generators take: FNV-1a over its UTF-16 units, then mixed; 40 digits differ in their last.
 * @returns 0 to 2³² − 1
 */
export function seedNumber(seed: string): number {
  let hash = 0x811c9dc5
  for (let at = 0; at < seed.length; at++) {
    hash ^= seed.charCodeAt(at)
    hash = Math.imul(hash, 0x01000193) >>> 0
  }
  // Seeds that differ in their last letter alone have to differ everywhere: the end of MurmurHash3.
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b)
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35)
  return (hash ^ (hash >>> 16)) >>> 0
}
