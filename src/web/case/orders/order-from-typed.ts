import { limits, type Limits } from '#core/model/limits'
import { lockRange, type OrderedBy, type OrderKind, type SignedOrders } from '#core/model/orders'
import { missingIn, missingWords } from '../../parts/required'
import type { OrderTyped } from './order-figures'

type Figures = Readonly<Record<string, string | number>>

/**
 * The order that a form holds, or what is wrong with it in words that name the field, the reason and the remedy.
 * @param by who gave it, how and when
 */
export function orderFromTyped(kind: OrderKind | null, typed: OrderTyped, by: OrderedBy): SignedOrders | string {
  const missing = missingIn('order', { kind, by: by.by })
  if (missing || kind === null) return missing ?? ''
  const figures = figuresOf(kind, typed)
  if (typeof figures === 'string') return figures
  const start = by.from ?? by.at
  if (by.until !== undefined && Date.parse(by.until) <= Date.parse(start)) return 'Until is not after its beginning: check both times.'
  return { [kind]: { ...by, ...figures } } as SignedOrders
}

function figuresOf(kind: OrderKind, typed: OrderTyped): Figures | string {
  const words = (name: string): Figures => (typed[name]?.trim() ? { [name]: typed[name].trim() } : {})
  switch (kind) {
    case 'brace':
      return braceOf(typed)
    case 'spine':
    case 'posture': {
      const missing = missingIn('order-posture', { posture: typed['posture'] })
      return missing ?? { posture: typed['posture'] ?? '' }
    }
    case 'pull': {
      const kg = figureOf('Pull', typed['kg'], limits.rigKg, 'kg')
      return typeof kg === 'string' ? kg : { kg }
    }
    case 'angle': {
      const deg = figureOf('Degrees', typed['deg'], limits.stopDeg, '°')
      return typeof deg === 'string' ? deg : { deg, ...words('what') }
    }
    case 'weight':
      return words('allowed')
    default:
      return words('what')
  }
}

/** A typed figure, or what is wrong with it. A comma counts as a point. */
function figureOf(label: string, text: string | undefined, { least, greatest }: Limits, unit: string): number | string {
  const typed = text?.trim().replace(',', '.') ?? ''
  const value = Number(typed)
  if (typed === '' || !Number.isFinite(value)) return missingWords({ label, remedy: 'type the figure that was ordered' })
  return value < least || value > greatest ? `${label} takes ${least} to ${greatest} ${unit}: check the order.` : value
}

function braceOf(typed: OrderTyped): Figures | string {
  const extensionStop = figureOf('Extension stop', typed['extension'], limits.stopDeg, '°')
  if (typeof extensionStop === 'string') return extensionStop
  const flexionStop = figureOf('Flexion stop', typed['flexion'], limits.stopDeg, '°')
  if (typeof flexionStop === 'string') return flexionStop
  if (extensionStop > flexionStop) return 'The extension stop must not be beyond the flexion stop: check them.'
  if (typed['lock'] !== 'at') return { extensionStop, flexionStop, lock: typed['lock'] ?? 'open' }
  const within = { least: Math.max(lockRange.least, extensionStop), greatest: Math.min(lockRange.greatest, flexionStop) }
  const lock = figureOf('The lock', typed['lockDeg'], within, '°, between the stops')
  return typeof lock === 'string' ? lock : { extensionStop, flexionStop, lock }
}
