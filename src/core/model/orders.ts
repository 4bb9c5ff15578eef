/** Who ordered, and when. */
export interface OrderedBy {
  readonly by: string
  readonly at: string
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
  /** Taken back: nothing is allowed any more. */
  readonly withdrawn?: boolean
}
export interface WedgeOrder {
  readonly week: number
  readonly count: number
}

/** How far the spine may be raised: by name. */
export interface SpineOrder extends Partial<OrderedBy> {
  readonly posture: (typeof spinePositions)[number]
}

export const oxygenRoutes = ['none', 'mask', 'cannula'] as const
export const spinePositions = ['lying', 'sitting', 'standing'] as const

/** What has been ordered for this patient, as far as techniques ask for it. */
export interface Orders {
  readonly woundPlan?: boolean
  readonly oxygen?: (typeof oxygenRoutes)[number]
  /** Week of treatment. */
  readonly week?: number
  readonly brace?: BraceOrder
  /** Weight bearing, ordered by name. */
  readonly weight?: WeightOrder
  readonly wedges?: readonly WedgeOrder[]
  /** Orders of before named nobody: those count as not ordered yet. */
  readonly spine?: SpineOrder
  /** Another countertraction than the raised foot of the bed: a padded sling in the groin. */
  readonly countertraction?: OrderedBy
  /** It may be taken off and put on again at home. */
  readonly atHome?: OrderedBy
  /** Open now: lifts the wait before a cast is opened. */
  readonly openNow?: boolean
}

/** Whether somebody signed for how far the spine may be raised or turned. */
export function isSpineOrdered(orders: Orders): boolean {
  return Boolean(orders.spine?.by?.trim())
}

/** Whether weight is ordered and has not been withdrawn. */
export function isWeightOrdered(orders: Orders): boolean {
  return orders.weight !== undefined && orders.weight.withdrawn !== true
}
