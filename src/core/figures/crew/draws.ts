/**
 * A seeded stream of numbers in [0, 1): the mulberry32 generator (public-domain algorithm).
 * @param seed any integer; the same seed gives the same stream
 */
export function mulberry32(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), state | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/**
 * A draw from the triangular distribution by inversion.
 * @param spread least, likely and most, in that order
 */
export function drawTriangular(random: () => number, spread: readonly [number, number, number]): number {
  const [least, likely, most] = spread
  if (most <= least) return likely
  const u = random()
  const turn = (likely - least) / (most - least)
  return u < turn ? least + Math.sqrt(u * (most - least) * (likely - least)) : most - Math.sqrt((1 - u) * (most - least) * (most - likely))
}

/**
 * A draw from the normal distribution cut off at ±3 sd (Box–Muller, rejected outside; at most 100 tries).
 * @param sd standard deviation, 0 or more
 */
export function drawTruncatedNormal(random: () => number, mean: number, sd: number): number {
  for (let tries = 0; tries < 100; tries++) {
    const z = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    if (Math.abs(z) <= 3) return mean + sd * z
  }
  return mean
}
