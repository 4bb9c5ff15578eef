import type { StockItem } from '../model/clinical-case'

function collar(size: string, settingsCm: readonly number[]): readonly StockItem[] {
  return settingsCm.map((setting) => ({ technique: 'extrication-collar', size, setting, prefer: 'smaller' as const }))
}

/** Adjustable one-piece collars with the heights that they lock at, cm. */
export const collars: readonly StockItem[] = [...collar('collar, child', [2.4, 3.6]), ...collar('collar, adult', [4.8, 6, 7.2])]
