import { stockinetteWidth } from '../../figures/wraps/stockinette'
import type { PlanDraft } from '../../planner/draft'

export interface Stockinette {
  readonly id: 'stockinette' | 'stocking'
  /** The widest girth that it has to pass, cm. */
  readonly widestCm: number
  readonly lengthCm: number
  readonly note: string
  /** What to do without it, and where that is said. */
  readonly without: { readonly decision: string; readonly step: string; readonly text: string }
}

/** Lists the narrowest stocked stockinette that passes the widest girth, or says what to do without one. */
export function listStockinette(draft: PlanDraft, { id, widestCm, lengthCm, note, without }: Stockinette): void {
  const { inStock } = draft.stock((item) => item.item === 'stockinette')
  const widthCm = stockinetteWidth(
    widestCm,
    inStock.flatMap((item) => item.widthCm ?? []),
  )
  if (widthCm !== null) {
    draft.material({ id, item: 'stockinette', widthCm, lengthCm, rolls: null, layers: 1, note })
    return
  }
  draft.caution({
    level: 'caution',
    code: 'not-in-stock',
    decisions: [without.decision],
    steps: [without.step],
    text: without.text,
    why: `The widest girth is ${widestCm.toFixed(1)} cm.`,
  })
}
