import type { StockItem } from '../model/clinical-case'
import { createFieldReader, type FieldReader } from './field-reader'
import type { Problem } from '../model/problem'

const numberFields = ['widthCm', 'lengthCm', 'setting', 'count'] as const

/** Reads the stock of a case file: the word "catalogue", or a list of items whose figures and ranges are checked. */
export function readStock(file: FieldReader, problems: Problem[]): 'catalogue' | readonly StockItem[] {
  const stock = file.raw('stock')
  if (stock === undefined || stock === 'catalogue') return 'catalogue'
  if (!Array.isArray(stock)) {
    file.report('stock', 'Stock must be "catalogue" or a list of items.')
    return 'catalogue'
  }
  return stock.flatMap((one: unknown, index) => readItem(one, `stock/${index}`, problems))
}

function readItem(data: unknown, path: string, problems: Problem[]): readonly StockItem[] {
  const item = createFieldReader(data, path, problems)
  if (!item) {
    problems.push({ code: 'format', path, message: 'A stock item must be an object with an item or a technique and size.' })
    return []
  }
  const numbers = numberFields.flatMap((field) => {
    const value = item.number(field, { least: 0 })
    return value === undefined ? [] : [[field, value] as const]
  })
  const prefer = item.word('prefer', ['larger', 'smaller'] as const)
  const own: readonly string[] = [...numberFields, 'fits', 'prefer', 'size']
  const rest = Object.fromEntries(Object.entries(item.record()).filter(([field]) => !own.includes(field)))
  const size = item.raw('size')
  return [
    {
      ...rest,
      ...Object.fromEntries(numbers),
      ...(size === undefined ? {} : { size: String(size as string | number) }),
      ...(prefer === undefined ? {} : { prefer }),
      ...(item.raw('fits') === undefined ? {} : { fits: readFits(item) }),
    } as StockItem,
  ]
}

function readFits(item: FieldReader): Readonly<Record<string, readonly [number, number]>> {
  const fits = item.object('fits')
  const ranges: Record<string, readonly [number, number]> = {}
  for (const [id, range] of Object.entries(fits?.record() ?? {})) {
    const [lo, hi] = Array.isArray(range) ? (range as unknown[]) : []
    if (typeof lo === 'number' && typeof hi === 'number' && Number.isFinite(lo) && Number.isFinite(hi) && lo < hi) ranges[id] = [lo, hi]
    else fits?.report(id, `The range of ${id} must be two figures in cm, the lower one first.`)
  }
  return ranges
}
