import { limits } from '../model/limits'
import type { FieldReader } from './field-reader'
import {
  oxygenRoutes,
  spinePositions,
  type BraceOrder,
  type OrderedBy,
  type SpineOrder,
  type Orders,
  type WedgeOrder,
  type WeightOrder,
} from '../model/orders'

/** Reads the orders of a case file; what cannot be read is reported and left out. */
export function readOrders(from: FieldReader | null): Orders {
  if (!from) return {}
  from.warnUnknown(['woundPlan', 'oxygen', 'week', 'brace', 'weight', 'wedges', 'spine', 'countertraction', 'atHome', 'openNow'])
  const oxygen = from.word('oxygen', oxygenRoutes)
  const week = from.number('week', limits.week)
  const spine = readSpine(from)
  const counter = from.raw('countertraction') === undefined ? null : from.object('countertraction')
  const atHome = from.raw('atHome') === undefined ? null : from.object('atHome')
  const brace = readBrace(from.object('brace'))
  const weight = from.object('weight')
  const wedges = from.raw('wedges') === undefined ? undefined : readWedges(from)
  return {
    ...(from.raw('woundPlan') === true ? { woundPlan: true } : {}),
    ...(from.raw('openNow') === true ? { openNow: true } : {}),
    ...(oxygen === undefined ? {} : { oxygen }),
    ...(week === undefined ? {} : { week }),
    ...(spine === undefined ? {} : { spine }),
    ...(counter ? { countertraction: readSigned(counter, 'countertraction') } : {}),
    ...(atHome ? { atHome: readSigned(atHome, 'atHome') } : {}),
    ...(brace === undefined ? {} : { brace }),
    ...(weight ? { weight: readWeight(weight) } : {}),
    ...(wedges === undefined ? {} : { wedges }),
  }
}

/** A posture with who ordered it; the bare word of before says nobody. */
function readSpine(from: FieldReader): SpineOrder | undefined {
  if (typeof from.raw('spine') !== 'object') {
    const posture = from.word('spine', spinePositions)
    return posture && { posture }
  }
  const order = from.object('spine')
  order?.warnUnknown(['posture', 'by', 'at'])
  const posture = order?.word('posture', spinePositions)
  if (order && posture === undefined && order.raw('posture') === undefined)
    order.report('posture', `A spine order needs its posture: ${spinePositions.join(', ')}.`)
  return order && posture ? { posture, ...readSigned(order, 'spine') } : undefined
}

function readSigned(from: FieldReader, what: string): OrderedBy {
  const by = from.text('by')?.trim() ?? ''
  if (by === '') from.report('by', `Who ordered it is missing: write the name under orders/${what}/by.`)
  return { by, at: from.text('at') ?? '' }
}

function readOrderedBy(from: FieldReader): OrderedBy {
  return { by: from.text('by') ?? '', at: from.text('at') ?? '' }
}

function readWeight(from: FieldReader): WeightOrder {
  const allowed = from.text('allowed')
  return {
    ...readOrderedBy(from),
    ...(allowed === undefined ? {} : { allowed }),
    ...(from.raw('withdrawn') === true ? { withdrawn: true } : {}),
  }
}

function readBrace(from: FieldReader | null): BraceOrder | undefined {
  if (!from) return undefined
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
  return { ...readOrderedBy(from), extensionStop, flexionStop, lock: readLock(from) }
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
