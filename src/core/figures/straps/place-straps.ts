export type Stretch = readonly [number, number]

export interface StrapPlaces {
  /** Centres from the lower end, cm, ascending. */
  readonly centresCm: readonly number[]
  /** Least distance between two neighbouring centres, cm; null with fewer than two. */
  readonly leastSpacingCm: number | null
}

const gridCm = 0.5

/**
 * Places k straps, exactly, on whole steps of a 0.5 cm grid: greatest least
 * spacing; then the lowest first strap, the highest last, each next as low as possible. The whole width of a
 * strap stays inside the stretch and out of every no-go.
 * @param stretch [from, to] cm along the limb
 * @param count k, 1 or more
 * @param widthCm strap width, cm
 * @param noGo intervals that no strap may touch, cm
 * @returns null when k do not fit at a spacing of at least width + 1
 */
export function placeStraps(stretch: Stretch, count: number, widthCm: number, noGo: readonly Stretch[]): StrapPlaces | null {
  const free = freeCentres(stretch, widthCm, noGo)
  const [first] = free
  const last = free.at(-1)
  if (first === undefined || last === undefined || count < 1) return null
  if (count === 1) return { centresCm: [first], leastSpacingCm: null }
  const least = widthCm + 1
  const span = Math.round((last - first) / gridCm)
  let low = Math.ceil(least / gridCm - 1e-9)
  let high = span
  if (!fits(free, count, low * gridCm)) return null
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if (fits(free, count, middle * gridCm)) low = middle
    else high = middle - 1
  }
  return { centresCm: arrange(free, count, low * gridCm), leastSpacingCm: low * gridCm }
}

/** How many straps fit at a spacing of at least width + 1. */
export function mostStraps(stretch: Stretch, widthCm: number, noGo: readonly Stretch[]): number {
  const free = freeCentres(stretch, widthCm, noGo)
  let count = 0
  let next = -Infinity
  for (const centre of free) {
    if (centre < next - 1e-9) continue
    count++
    next = centre + widthCm + 1
  }
  return count
}

function freeCentres([from, to]: Stretch, widthCm: number, noGo: readonly Stretch[]): number[] {
  const half = widthCm / 2
  const centres: number[] = []
  const first = Math.ceil((from + half) / gridCm - 1e-9)
  const last = Math.floor((to - half) / gridCm + 1e-9)
  for (let step = first; step <= last; step++) {
    const centre = step * gridCm
    if (noGo.every(([lo, hi]) => centre + half <= lo + 1e-9 || centre - half >= hi - 1e-9)) centres.push(centre)
  }
  return centres
}

function fits(free: readonly number[], count: number, spacing: number): boolean {
  let placed = 0
  let next = -Infinity
  for (const centre of free) {
    if (centre < next - 1e-9) continue
    placed++
    next = centre + spacing
  }
  return placed >= count
}

/** Lowest first, highest last, the ones between as low as they can be while the last still reaches its place. */
function arrange(free: readonly number[], count: number, spacing: number): number[] {
  const centres: number[] = []
  let next = -Infinity
  for (let index = 0; index < count - 1; index++) {
    const centre = free.find((one) => one >= next - 1e-9)
    if (centre === undefined) break
    centres.push(centre)
    next = centre + spacing
  }
  const last = free.at(-1)
  if (last !== undefined) centres.push(last)
  return centres
}
