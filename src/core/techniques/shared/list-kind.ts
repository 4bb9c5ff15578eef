import type { PlanDraft } from '../../planner/draft'

/** Something cut or counted of a kind that the store has or has not. */
export interface ListedKind {
  readonly id: string
  /** Kind of item, as the store lists it. */
  readonly item: string
  readonly decision: string
  readonly step: string
  readonly lengthCm?: number
  readonly widthCm?: number
  /** How many pieces. */
  readonly count?: number
  readonly note: string
}

/** Puts it on the lay-out list with its figures; where a store list has none of its kind, says so: the number stays. */
export function listKind(draft: PlanDraft, { id, item, decision, step, lengthCm, widthCm, count, note }: ListedKind): void {
  draft.material({
    id,
    item,
    widthCm: widthCm ?? null,
    lengthCm: lengthCm ?? null,
    rolls: null,
    layers: null,
    ...(count === undefined ? {} : { pieces: count }),
    note,
  })
  warnOfMissingKind(draft, item, decision, step)
}

/** Caution `not-in-stock` where the case's own list has nothing of a kind at hand. */
export function warnOfMissingKind(draft: PlanDraft, item: string, decision: string, step: string): void {
  const { inStock, isListed } = draft.stock((one) => one.item === item)
  if (!isListed || inStock.length > 0) return
  draft.caution({
    level: 'caution',
    code: 'not-in-stock',
    decisions: [decision],
    steps: [step],
    text: `No ${item.replaceAll('-', ' ')} is in stock: the figure is for the usual one.`,
    why: 'None is listed as present.',
  })
}
