/**
 * Solves a small square system by Gaussian elimination with row exchange.
 * @param rows coefficients, one row per equation, each followed by its right side
 * @returns the unknowns, or null when the system has no single solution (pivot below 1e-12 of the largest entry)
 */
export function solveLinear(rows: readonly (readonly number[])[]): readonly number[] | null {
  const n = rows.length
  const m = rows.map((row) => [...row])
  const scale = Math.max(1, ...m.flat().map(Math.abs))
  for (let column = 0; column < n; column++) {
    let pivot = column
    for (let row = column + 1; row < n; row++) if (Math.abs(m[row]![column]!) > Math.abs(m[pivot]![column]!)) pivot = row
    if (Math.abs(m[pivot]![column]!) < 1e-12 * scale) return null
    ;[m[column], m[pivot]] = [m[pivot]!, m[column]!]
    for (let row = 0; row < n; row++) {
      if (row === column) continue
      const factor = m[row]![column]! / m[column]![column]!
      for (let k = column; k <= n; k++) m[row]![k]! -= factor * m[column]![k]!
    }
  }
  return m.map((row, index) => row[n]! / row[index]!)
}
