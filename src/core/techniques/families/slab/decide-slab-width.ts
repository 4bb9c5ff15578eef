import type { PlanDraft } from '../../../planner/draft'
import type { WorkingLine } from '../../../model/decision'
import { formatValue } from '../../../planner/format-decision'
import { lapTwo, widestOfTwo, type LappedSlabs } from '../../../figures/slabs/lap-two'
import { chooseSlabWidth } from '../../../figures/slabs/slab-width'

export interface SlabWidthRequest {
  readonly decision: 'slab-width' | 'stirrup-width'
  readonly item: string
  /** Widest that may be laid, cm, above 0. */
  readonly widestCm: number
  /** Widest that a hand may set, where it is more than the rule takes, cm. */
  readonly greatestCm?: number
  /** Where that limit comes from, for the caution. */
  readonly limitedAt: string
  readonly school: string | null
  readonly formula: string
  readonly working: readonly WorkingLine[]
  /** Two slabs lapped into one are taken where one is not as wide as may be. */
  readonly mayLap?: boolean
}

/** A slab's width as decided. */
export interface DecidedWidth {
  readonly widthCm: number
  /** The stocked slab it is cut from, cm. */
  readonly fromCm: number
  /** Set by hand, and not usable. */
  readonly refusedCm: number | null
  /** Made of two. */
  readonly lapped: LappedSlabs | null
}

/**
 * Decides a slab's width from what is stocked: the widest no wider than allowed; when none is narrow
 * enough the narrowest, trimmed, with caution `no-slab-width`; where it may be made of two, those.
 * @returns the width to use and the stocked slab it is cut from, cm; null when none is known at all
 */
export function decideSlabWidth(draft: PlanDraft, request: SlabWidthRequest): DecidedWidth | null {
  const stockedCm = stockedWidths(draft, request.item, request.decision)
  const narrowestCm = Math.min(...stockedCm)
  // Narrower than the school wants is not stocked: the narrowest, as long as it leaves its gap.
  const widestCm = Math.max(request.widestCm, Math.min(narrowestCm, request.greatestCm ?? request.widestCm))
  const two = request.mayLap ? widestOfTwo(widestCm, stockedCm) : null
  if (two) return decideLapped(draft, request, two, stockedCm)
  const choice = chooseSlabWidth(widestCm, stockedCm)
  if (!choice) return null
  if (choice.widthCm <= 0) {
    draft.caution({
      level: 'caution',
      code: 'no-slab-width',
      lasts: true,
      decisions: [request.decision],
      at: ['cuts'],
      text: 'No slab can be laid here: the gap to leave takes the whole girth.',
      why: `Girth over padding at the ${request.limitedAt} is too small for it.`,
    })
    return null
  }
  if (choice.isTrimmed) {
    draft.caution({
      level: 'caution',
      code: 'no-slab-width',
      lasts: true,
      decisions: [request.decision],
      at: ['cuts'],
      text: `Trim the ${choice.fromCm} cm slab to ${choice.widthCm.toFixed(1)} cm.`,
      why: `No stocked slab leaves the gap at the ${request.limitedAt}; the narrowest has to be cut down.`,
    })
  }
  const widthCm = draft.decide(
    {
      id: request.decision,
      value: choice.widthCm,
      source: 'practice',
      school: request.school,
      formula: request.formula,
      working: [...request.working, { label: 'Stocked widths', value: [...stockedCm].sort((a, b) => a - b), unit: 'cm', from: 'default' }],
    },
    (value) => refuseWidth(Number(value), Math.max(choice.widthCm, request.greatestCm ?? request.widestCm), stockedCm),
  )
  return {
    widthCm,
    // A width between two stocked ones is cut from the wider.
    fromCm: widthCm === choice.widthCm ? choice.fromCm : Math.min(...stockedCm.filter((one) => one >= widthCm - 1e-9)),
    refusedCm: refusedWidth(draft, request.decision, widthCm),
    lapped: null,
  }
}

/** The width of two slabs laid as one, at most what they reach; a narrower one that is set by hand may be cut from one. */
function decideLapped(draft: PlanDraft, request: SlabWidthRequest, two: LappedSlabs, stockedCm: readonly number[]): DecidedWidth {
  const widthCm = draft.decide(
    {
      id: request.decision,
      value: two.widthCm,
      display: `${formatValue(two.widthCm, 'cm')}, two of ${formatValue(two.pieceCm, 'cm')} lapped`,
      source: 'practice',
      school: 'Two slabs, lapped a third, at least 4 cm',
      formula: `${request.formula} Two of the narrowest stocked width that reach it, twice the width less the lap.`,
      working: [
        ...request.working,
        { label: 'Each slab', value: two.pieceCm, unit: 'cm', from: 'computed' },
        { label: 'Lap', value: two.lapCm, unit: 'cm', from: 'computed' },
        { label: 'Stocked widths', value: [...stockedCm].sort((a, b) => a - b), unit: 'cm', from: 'default' },
      ],
    },
    (value) =>
      Number(value) <= two.widthCm + 1e-9
        ? null
        : `It must be ${two.widthCm.toFixed(1)} cm at most here, not ${Number(value)} cm: that is what leaves its gap.`,
  )
  const lapped = lapTwo(widthCm, stockedCm)
  return {
    widthCm,
    fromCm: lapped?.pieceCm ?? Math.min(...stockedCm.filter((width) => width >= widthCm - 1e-9)),
    refusedCm: refusedWidth(draft, request.decision, widthCm),
    lapped,
  }
}

/** The width that was set by hand and is not used; null where there is none. */
function refusedWidth(draft: PlanDraft, decision: string, widthCm: number): number | null {
  const overruled = draft.clinicalCase.overrules.findLast((overrule) => overrule.decision === decision)?.value
  return typeof overruled === 'number' && overruled !== widthCm ? overruled : null
}

/** Why a width set by hand cannot be laid: wider than any that is stocked, or than the gap to leave allows. */
function refuseWidth(valueCm: number, greatestCm: number, stockedCm: readonly number[]): string | null {
  const mostCm = Math.min(greatestCm, Math.max(...stockedCm))
  if (valueCm <= mostCm + 1e-9) return null
  return `It must be ${mostCm.toFixed(1)} cm at most here, not ${valueCm} cm: nothing wider is stocked that leaves its gap.`
}

/** Stocked widths of a kind of slab, cm; those of the catalogue, with a caution, when none is listed as present. */
function stockedWidths(draft: PlanDraft, item: string, decision: string): readonly number[] {
  const isSlab = (one: { item?: string; widthCm?: number }): boolean => one.item === item && (one.widthCm ?? 0) > 0
  const { inStock } = draft.stock(isSlab)
  if (inStock.length > 0) return inStock.flatMap((one) => one.widthCm ?? [])
  draft.caution({
    level: 'caution',
    code: 'not-in-stock',
    decisions: [decision],
    at: ['lays-out'],
    text: `No ${item.replaceAll('-', ' ')} is in stock: the width is for the usual ones.`,
    why: 'None is listed as present.',
  })
  return draft.ctx.catalogue.items.filter(isSlab).flatMap((one) => one.widthCm ?? [])
}
