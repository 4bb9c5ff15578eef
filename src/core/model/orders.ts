export const orderWays = ['voice', 'telephone', 'written'] as const
export type OrderWay = (typeof orderWays)[number]

/** Who ordered something and when: an order has a name, or it is none. */
export interface OrderedBy {
  /** Empty where a file names nobody: read, and cautioned as not ordered. */
  readonly by: string
  /** ISO 8601; empty where nobody said. */
  readonly at: string
  readonly how?: OrderWay
  /** From when it holds, ISO 8601, where that is not when it was given. */
  readonly from?: string
  /** Until when it holds, ISO 8601; without it until it is withdrawn. */
  readonly until?: string
  /** Taken back by who is named: nothing of it holds any more. */
  readonly withdrawn?: boolean
}

/** Degrees at which a hinge can be locked. */
export const lockRange = { least: -10, greatest: 30 } as const

export interface BraceOrder extends OrderedBy {
  /** Degrees short of straight at which extension stops. */
  readonly extensionStop: number
  /** Degrees of bend at which flexion stops. */
  readonly flexionStop: number
  /** "open", "locked", or the angle at which it is locked, degrees. */
  readonly lock: string | number
}
export interface WeightOrder extends OrderedBy {
  /** What is allowed, in words: "as pain allows", "20 kg". */
  readonly allowed?: string
}
export interface WedgeOrder {
  readonly week: number
  readonly count: number
}

export const oxygenRoutes = ['none', 'mask', 'cannula'] as const
export const spinePositions = ['lying', 'sitting', 'standing'] as const

/** How far the spine may be raised. */
export interface SpineOrder extends OrderedBy {
  readonly posture: (typeof spinePositions)[number]
}

export interface PullOrder extends OrderedBy {
  readonly kg: number
}
export interface AngleOrder extends OrderedBy {
  readonly deg: number
  /** Of which joint, in words. */
  readonly what?: string
}
/** How the patient is to lie. */
export const postures = ['flat', 'on the side', 'head up', 'sitting up', 'limb up', 'foot end up'] as const
export interface PostureOrder extends OrderedBy {
  readonly posture: (typeof postures)[number]
}
/** An order that its kind says; what else was said stands in words. */
export interface PlainOrder extends OrderedBy {
  readonly what?: string
}

/** Every order that somebody signs with their name: one of each kind, the latest. */
export interface SignedOrders {
  readonly brace?: BraceOrder
  readonly weight?: WeightOrder
  readonly spine?: SpineOrder
  readonly pull?: PullOrder
  /** Another countertraction than the raised foot of the bed: a padded sling in the groin. */
  readonly countertraction?: PlainOrder
  readonly posture?: PostureOrder
  readonly angle?: AngleOrder
  /** It stays as it is. */
  readonly leave?: PlainOrder
  readonly fasting?: PlainOrder
  /** It is cut open now: lifts the wait before a cast is opened. */
  readonly cut?: PlainOrder
  readonly loosen?: PlainOrder
  /** What was opened is closed again. */
  readonly close?: PlainOrder
  readonly noResuscitation?: PlainOrder
  /** It may be taken off and put on again at home. */
  readonly atHome?: PlainOrder
}
export type OrderKind = keyof SignedOrders

/** What has been ordered for this patient. */
export interface Orders extends SignedOrders {
  readonly woundPlan?: boolean
  readonly oxygen?: (typeof oxygenRoutes)[number]
  /** Week of treatment. */
  readonly week?: number
  readonly wedges?: readonly WedgeOrder[]
  /** Open now: lifts the wait before a cast is opened. */
  readonly openNow?: boolean
}

/** Every kind in the order of a form, with its name. */
export const orderNames: Readonly<Record<OrderKind, string>> = {
  weight: 'Weight on the leg',
  brace: 'Brace stops',
  spine: 'Spine',
  pull: 'Pull',
  countertraction: 'Groin sling as countertraction',
  posture: 'Posture',
  angle: 'Angle',
  leave: 'Leave it as it is',
  loosen: 'Loosen it',
  cut: 'Cut it open',
  close: 'Close it again',
  fasting: 'Nothing by mouth',
  noResuscitation: 'No resuscitation',
  atHome: 'Off and on at home',
}
export const orderKinds = Object.keys(orderNames) as readonly OrderKind[]

/** Whether somebody ordered this by name, and has not withdrawn it: the one answer to it. */
export function isOrdered(order: Pick<OrderedBy, 'by' | 'withdrawn'> | undefined): boolean {
  return order !== undefined && order.by.trim() !== '' && order.withdrawn !== true
}

/** Whether an order holds at a moment. @param atMs milliseconds since the epoch */
export function holdsAt(order: OrderedBy | undefined, atMs: number): boolean {
  if (!isOrdered(order)) return false
  return !(order?.from && Date.parse(order.from) > atMs) && !(order?.until && Date.parse(order.until) <= atMs)
}

/** Whether the wait before a cast is opened is lifted. */
export function isOpenNowOrdered(orders: Orders): boolean {
  return orders.openNow === true || isOrdered(orders.cut)
}

/** Kinds of which only one holds at a time. */
const opposed: readonly (readonly [OrderKind, OrderKind])[] = [
  ['cut', 'close'],
  ['cut', 'leave'],
  ['loosen', 'leave'],
  ['loosen', 'close'],
  ['close', 'leave'],
]

const uprightPostures: readonly (typeof postures)[number][] = ['head up', 'sitting up']

/**
 * Orders in force that one of a kind contradicts: whoever enters it has to say which holds.
 * @param orders with the new one among them
 */
export function contradicting(orders: Orders, kind: OrderKind): readonly OrderKind[] {
  if (!isOrdered(orders[kind])) return []
  const others = opposed.flatMap(([one, other]) => (one === kind ? [other] : other === kind ? [one] : []))
  const bySpine: readonly OrderKind[] =
    orders.spine?.posture === 'lying' && orders.posture && uprightPostures.includes(orders.posture.posture)
      ? kind === 'spine'
        ? ['posture']
        : kind === 'posture'
          ? ['spine']
          : []
      : []
  return [...others, ...bySpine].filter((other) => isOrdered(orders[other]) && meetInTime(orders[kind], orders[other]))
}

/** Whether two orders ever hold at one time; one that does not say when holds always. */
function meetInTime(one: OrderedBy | undefined, other: OrderedBy | undefined): boolean {
  if (!one || !other) return false
  return startOf(one) < endOf(other) && startOf(other) < endOf(one)
}

function startOf({ from, at }: OrderedBy): number {
  const ms = Date.parse(from ?? at)
  return Number.isNaN(ms) ? -Infinity : ms
}

function endOf({ until }: OrderedBy): number {
  return until === undefined ? Infinity : Date.parse(until)
}
