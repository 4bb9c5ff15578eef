/** Standard deviation of an estimated girth, as a share of it (our estimate). */
export const estimatedGirthSdShare = 0.06

/**
 * Fills in girths that were not measured: template ratios scaled by the mean of measured ÷ ratio over the
 * measured girths.
 * @param measured girths in cm by station; at least one, each above 0
 * @param ratios template ratios by station
 * @returns a girth in cm for every station of the template; null when nothing was measured
 * @example estimateGirths({ calf: 40 }, { calf: 1, ankle: 0.61 }) // { calf: 40, ankle: 24.4 }
 */
export function estimateGirths<S extends string>(
  measured: Partial<Record<S, number>>,
  ratios: Record<S, number>,
): Record<S, number> | null {
  const stations = Object.keys(ratios) as S[]
  const scales = stations.flatMap((station) => {
    const girth = measured[station]
    return girth === undefined ? [] : [girth / ratios[station]]
  })
  if (scales.length === 0) return null
  const scale = scales.reduce((sum, one) => sum + one, 0) / scales.length
  const girths = {} as Record<S, number>
  for (const station of stations) girths[station] = measured[station] ?? ratios[station] * scale
  return girths
}
