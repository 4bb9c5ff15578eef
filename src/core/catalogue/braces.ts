import type { StockItem } from '../model/clinical-case'

/** One adjustable brace: stops click every so many degrees between its ends. */
export const braces: readonly StockItem[] = [
  { technique: 'hinged-knee-brace', size: 'brace', straps: 4, clickDeg: 10, leastStopDeg: 0, greatestStopDeg: 120 },
]
