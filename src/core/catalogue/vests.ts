import type { StockItem } from '../model/clinical-case'

/** Short extrication vests by chest girth and armpit-to-seat length, cm. */
export const vests: readonly StockItem[] = [
  {
    technique: 'seated-vest',
    size: 'vest, child',
    fits: { 'chest-girth': [54, 76], 'armpit-seat': [22, 34] },
    straps: 3,
    prefer: 'smaller',
  },
  {
    technique: 'seated-vest',
    size: 'vest, adult',
    fits: { 'chest-girth': [74, 122], 'armpit-seat': [32, 54] },
    straps: 3,
    prefer: 'smaller',
  },
  {
    technique: 'seated-vest',
    size: 'vest, large',
    fits: { 'chest-girth': [118, 150], 'armpit-seat': [36, 58] },
    straps: 3,
    prefer: 'smaller',
  },
]
