/** A tridiagonal matrix, factored once so that many right-hand sides can be solved against it. */
export interface FactoredTridiagonal {
  /** Overwrites `values` with the solution. */
  solve(values: Float64Array): void
}

/**
 * Factors a tridiagonal system by the Thomas algorithm (textbook; stable for the diagonally dominant
 * matrices of heat conduction).
 * @param lower below the diagonal; `lower[0]` is not used
 * @param diagonal the diagonal
 * @param upper above the diagonal; the last entry is not used
 */
export function factorTridiagonal(lower: Float64Array, diagonal: Float64Array, upper: Float64Array): FactoredTridiagonal {
  const n = diagonal.length
  const ratio = new Float64Array(n)
  const inverse = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const pivot = diagonal[i]! - (i > 0 ? lower[i]! * ratio[i - 1]! : 0)
    inverse[i] = 1 / pivot
    ratio[i] = upper[i]! / pivot
  }
  return {
    solve(values) {
      values[0] = values[0]! * inverse[0]!
      for (let i = 1; i < n; i++) values[i] = (values[i]! - lower[i]! * values[i - 1]!) * inverse[i]!
      for (let i = n - 2; i >= 0; i--) values[i] = values[i]! - ratio[i]! * values[i + 1]!
    },
  }
}
