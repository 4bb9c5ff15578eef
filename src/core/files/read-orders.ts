import { limits } from '../model/limits'
import type { FieldReader } from './field-reader'
import {
  orderKinds,
  orderWays,
  oxygenRoutes,
  postures,
  spinePositions,
  type BraceOrder,
  type OrderedBy,
  type OrderKind,
  type Orders,
  type SignedOrders,
  type WedgeOrder,
} from '../model/orders'

const unsigned = ['woundPlan', 'oxygen', 'week', 'wedges', 'openNow'] as const
const signed = ['by', 'at', 'how', 'from', 'until', 'withdrawn'] as const

/** Reads the orders of a case file; what cannot be read is reported and left out. One that names nobody is read, and the plan cautions it. */
export function readOrders(from: FieldReader | null): Orders {
  if (!from) return {}
  from.warnUnknown([...unsigned, ...orderKinds])
  const oxygen = from.word('oxygen', oxygenRoutes)
  const week = from.number('week', limits.week)
  const wedges = from.raw('wedges') === undefined ? undefined : readWedges(from)
  return {
    ...(from.raw('woundPlan') === true ? { woundPlan: true } : {}),
    ...(from.raw('openNow') === true ? { openNow: true } : {}),
    ...(oxygen === undefined ? {} : { oxygen }),
    ...(week === undefined ? {} : { week }),
    ...readSigned(from),
    ...(wedges === undefined ? {} : { wedges }),
  }
}

function readSigned(from: FieldReader): SignedOrders {
  const found: Partial<Record<OrderKind, object>> = {}
  for (const kind of orderKinds) {
    if (from.raw(kind) === undefined) continue
    const order = kind === 'spine' ? readSpine(from) : readOrder(from.object(kind), kind)
    if (order) found[kind] = order
  }
  return found as SignedOrders
}

/** A posture with who ordered it; the bare word of before says nobody. */
function readSpine(from: FieldReader): object | undefined {
  if (typeof from.raw('spine') === 'object') return readOrder(from.object('spine'), 'spine')
  const posture = from.word('spine', spinePositions)
  return posture && { posture, by: '', at: '' }
}

function readOrder(order: FieldReader | null, kind: OrderKind): object | undefined {
  if (!order) return undefined
  const figures = readFigures(order, kind)
  return figures && { ...readOrderedBy(order), ...figures }
}

/** What an order of a kind says beside who gave it; undefined where what it cannot do without is not there. */
function readFigures(order: FieldReader, kind: OrderKind): object | undefined {
  const optional = <Field extends string>(field: Field): Partial<Record<Field, string>> => {
    const text = order.text(field)
    return text === undefined ? {} : ({ [field]: text } as Record<Field, string>)
  }
  const knows = (...fields: readonly string[]): void => order.warnUnknown([...signed, ...fields])
  switch (kind) {
    case 'brace':
      knows('extensionStop', 'flexionStop', 'lock')
      return readBrace(order)
    case 'spine':
    case 'posture': {
      knows('posture')
      const allowed: readonly string[] = kind === 'spine' ? spinePositions : postures
      const posture = order.word('posture', allowed)
      if (posture === undefined && order.raw('posture') === undefined)
        order.report('posture', `An order of the ${kind} needs its posture: ${allowed.join(', ')}.`)
      return posture === undefined ? undefined : { posture }
    }
    case 'pull': {
      knows('kg')
      const kg = order.number('kg', limits.rigKg)
      if (kg === undefined && order.raw('kg') === undefined) order.report('kg', 'An ordered pull needs its kg.')
      return kg === undefined ? undefined : { kg }
    }
    case 'angle': {
      knows('deg', 'what')
      const deg = order.number('deg', limits.stopDeg)
      if (deg === undefined && order.raw('deg') === undefined) order.report('deg', 'An ordered angle needs its degrees, deg.')
      return deg === undefined ? undefined : { deg, ...optional('what') }
    }
    case 'weight':
      knows('allowed')
      return optional('allowed')
    default:
      knows('what')
      return optional('what')
  }
}

function readOrderedBy(from: FieldReader): OrderedBy {
  const how = from.word('how', orderWays)
  const [start, until] = [from.time('from'), from.time('until')]
  return {
    by: from.text('by')?.trim() ?? '',
    at: from.text('at') ?? '',
    ...(how === undefined ? {} : { how }),
    ...(start === undefined ? {} : { from: start }),
    ...(until === undefined ? {} : { until }),
    ...(from.raw('withdrawn') === true ? { withdrawn: true } : {}),
  }
}

function readBrace(from: FieldReader): Omit<BraceOrder, keyof OrderedBy> | undefined {
  const extensionStop = from.number('extensionStop', limits.stopDeg)
  const flexionStop = from.number('flexionStop', limits.stopDeg)
  if (extensionStop === undefined || flexionStop === undefined) {
    from.report('', 'An ordered brace needs extensionStop and flexionStop in degrees.')
    return undefined
  }
  if (extensionStop > flexionStop) {
    from.report(
      'extensionStop',
      `The extension stop (${extensionStop}°) must not be beyond the flexion stop (${flexionStop}°): check the order.`,
    )
    return undefined
  }
  return { extensionStop, flexionStop, lock: readLock(from) }
}

/** A lock in words or degrees; whether it can be set is for the plan to say. */
function readLock(from: FieldReader): string | number {
  const value = from.raw('lock')
  return typeof value === 'number' ? value : (from.text('lock') ?? 'open')
}

function readWedges(from: FieldReader): readonly WedgeOrder[] {
  return from.objects('wedges').flatMap((one) => {
    const week = one.number('week', limits.week)
    const count = one.number('count', { ...limits.wedges, whole: true })
    if (week === undefined || count === undefined) {
      one.report('', 'A wedge order needs week and count.')
      return []
    }
    return [{ week, count }]
  })
}
