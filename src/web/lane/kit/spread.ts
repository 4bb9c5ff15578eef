/**
 * Puts labels side by side as near to where they want to be as they can, in their order, none over another: the least sum of squared shifts
 * (isotonic regression by pooling neighbours).
 * @param wanted middles, in rising order
 * @param sizes widths along the line
 * @param gap least room between two
 * @returns middles within `from`…`to`; where the line is too short they run over its end, still apart
 */
export function spread(wanted: readonly number[], sizes: readonly number[], from: number, to: number, gap: number): readonly number[] {
  const offsets: number[] = []
  sizes.forEach((size, index) => offsets.push(index === 0 ? 0 : (offsets[index - 1] ?? 0) + (sizes[index - 1] ?? 0) / 2 + gap + size / 2))
  const pools: { sum: number; count: number }[] = []
  wanted.forEach((at, index) => {
    pools.push({ sum: at - (offsets[index] ?? 0), count: 1 })
    for (;;) {
      const [last, before] = [pools.at(-1), pools.at(-2)]
      if (!last || !before || before.sum / before.count <= last.sum / last.count) break
      pools.splice(-2, 2, { sum: before.sum + last.sum, count: before.count + last.count })
    }
  })
  const least = from + (sizes[0] ?? 0) / 2
  const most = to - (sizes.at(-1) ?? 0) / 2 - (offsets.at(-1) ?? 0)
  const bases = pools.flatMap(({ sum, count }) => Array.from({ length: count }, () => Math.max(least, Math.min(most, sum / count))))
  return bases.map((base, index) => base + (offsets[index] ?? 0))
}

/**
 * How many rows labels need on a line so that each row holds its own, taken in turn, and lets the lines of the rows beyond it through.
 * @param passPx room that such a line takes
 * @returns the row of each label, in the order given
 */
export function rowsFor(sizes: readonly number[], lengthPx: number, gap: number, passPx = 0): readonly number[] {
  for (let count = 1; count <= sizes.length; count++) {
    const rows = sizes.map((_, index) => index % count)
    const isEnough = Array.from({ length: count }, (_, row) => row).every((row) => {
      const held = sizes.flatMap((size, index) => (rows[index] === row ? [size] : (rows[index] ?? 0) > row && passPx > 0 ? [passPx] : []))
      return held.reduce((sum, size) => sum + size + gap, -gap) <= lengthPx
    })
    if (isEnough) return rows
  }
  return sizes.map((_, index) => index)
}
