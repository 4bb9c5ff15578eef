import { normalCdf } from './normal'

export interface CollarSetting {
  readonly settingCm: number
  /** Odds that the neck lies nearest to this setting: its range reaches to the midpoints between neighbours. */
  readonly odds: number
  readonly isInStock: boolean
}

export interface SettingChoice {
  readonly best: CollarSetting
  /** Nearest of those in stock; null when all are out. */
  readonly chosen: CollarSetting | null
  readonly all: readonly CollarSetting[]
}

/**
 * The collar setting nearest to the neck height, the smaller of two equally near.
 * @param heightCm shoulder line to underside of chin, cm
 * @param sdCm its doubt, cm, 0 or more
 * @param settings settings of every collar there is, in any order; one in stock anywhere counts as in stock
 * @returns null without settings
 */
export function nearestSetting(
  heightCm: number,
  sdCm: number,
  settings: readonly { readonly settingCm: number; readonly isInStock: boolean }[],
): SettingChoice | null {
  const stockBySetting = new Map<number, boolean>()
  for (const one of settings) stockBySetting.set(one.settingCm, (stockBySetting.get(one.settingCm) ?? false) || one.isInStock)
  const sorted = [...stockBySetting.keys()].sort((a, b) => a - b)
  const cdf = (limit: number): number => {
    if (!Number.isFinite(limit)) return limit > 0 ? 1 : 0
    return sdCm > 0 ? normalCdf((limit - heightCm) / sdCm) : limit >= heightCm ? 1 : 0
  }
  const all = sorted.map((settingCm, index): CollarSetting => {
    const below = sorted[index - 1]
    const above = sorted[index + 1]
    const lo = below === undefined ? -Infinity : (below + settingCm) / 2
    const hi = above === undefined ? Infinity : (settingCm + above) / 2
    return { settingCm, odds: cdf(hi) - cdf(lo), isInStock: stockBySetting.get(settingCm) ?? false }
  })
  const best = nearest(all, heightCm)
  if (!best) return null
  return {
    best,
    all,
    chosen: nearest(
      all.filter((setting) => setting.isInStock),
      heightCm,
    ),
  }
}

/** The nearest of settings in ascending order; the first, so the smaller, of two equally near. */
function nearest(settings: readonly CollarSetting[], heightCm: number): CollarSetting | null {
  return settings.reduce<CollarSetting | null>((best, one) => {
    if (!best) return one
    return Math.abs(one.settingCm - heightCm) < Math.abs(best.settingCm - heightCm) - 1e-9 ? one : best
  }, null)
}
