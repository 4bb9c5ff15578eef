import type { StockItem } from '../../../model/clinical-case'
import type { PlanDraft } from '../../../planner/draft'
import type { OverruleRange } from '../../../planner/overruled-range'
import type { WorkingLine } from '../../../model/decision'
import { readDefaults } from '../../../quantities/defaults'
import { roundTo } from '../../../quantities/rounding'
import { chooseRolls, type RollChoice, type WrapZone } from '../../../figures/wraps/roll-choice'
import { wrapDefaults, wrapLayers, wrapLength } from '../../../figures/wraps/wrap-length'

/** A stretch of limb to wind: its area, the turns added to it, and the roll widths that suit it. */
export interface RollZone {
  readonly id: string
  /** cm² */
  readonly areaCm2: number
  /** Figure-of-eight or web turns, cm of band. */
  readonly turnsCm: number
  readonly widthsCm: readonly [number, number]
  /** The one width to take of those that suit, or of all in stock, where more than their number decides; null leaves it to the number of rolls. */
  readonly pick?: (suitingCm: readonly number[], allCm: readonly number[]) => number | null
}

export interface RollRequest {
  readonly decision: string
  readonly item: string
  readonly zones: readonly RollZone[]
  /** How many times the area is covered from end to end. */
  readonly passes: number
  readonly note: string
  /** Scaled from a template rather than measured: shown as an estimate. */
  readonly isEstimate?: boolean
  /** Inputs of the areas: girths and lengths. */
  readonly working: readonly WorkingLine[]
}

/**
 * Decides the rolls of one wrap from stock: length by zone, then fewest rolls, then least waste.
 * Adds the decision (rolls) and its materials.
 * @returns the rolls chosen, or null when no roll of the kind exists at all
 */
export function decideRolls(draft: PlanDraft, request: RollRequest): RollChoice | null {
  const choice = pickRolls(draft, request)
  if (!choice) return null
  const wrap = readDefaults(wrapDefaults, draft.ctx.protocol)
  const layers = wrapLayers(request.passes, wrap.halfOverlap)
  draft.decide({
    id: request.decision,
    value: choice.totalRolls,
    ...(request.item === 'padding-roll' ? { range: paddingCovers(choice.totalRolls) } : {}),
    display: request.isEstimate ? `${describeRolls(choice)} (estimate)` : describeRolls(choice),
    formula:
      'Area between stations ÷ (width × half overlap) × passes × take-up, and figure-of-eight turns; fewest rolls, then least waste.',
    source: request.isEstimate ? 'model' : 'practice',
    working: [
      ...request.zones.map((zone): WorkingLine => ({
        label: `Area, ${zone.id}`,
        value: roundTo(zone.areaCm2, 0),
        unit: 'cm²',
        from: 'computed',
      })),
      { label: 'Passes', value: request.passes, unit: null, from: 'default' },
      { label: 'Layers', value: layers, unit: 'layers', from: 'computed' },
      ...choice.zones.map((zone): WorkingLine => ({
        label: `Length, ${zone.zone}, ${zone.widthCm} cm wide`,
        value: zone.lengthCm,
        unit: 'cm',
        from: 'computed',
      })),
      { label: 'Left over', value: roundTo(choice.wasteCm2, 0), unit: 'cm²', from: 'computed' },
      ...request.working,
    ],
  })
  for (const roll of choice.rolls) {
    draft.material({
      id: `${request.decision}-${roll.widthCm}`,
      item: request.item,
      widthCm: roll.widthCm,
      lengthCm: roll.rollLengthCm,
      rolls: roll.count,
      layers,
      note: request.note,
    })
  }
  return choice
}

/** Padding rolls that a clinician may set: fewer than were counted leave less than two layers over bone, half of them leave it bare. */
function paddingCovers(rolls: number): OverruleRange {
  return {
    safe: [Math.ceil(rolls / 2), Infinity],
    usual: [rolls, Infinity],
    harm: { less: 'Fewer than two layers over bone: a sore, and a burn while it sets.', more: '' },
  }
}

/** The rolls for some zones from what is stocked, without a decision of their own; null when there is none. */
function pickRolls(draft: PlanDraft, request: Omit<RollRequest, 'note' | 'working'>): RollChoice | null {
  const wrap = readDefaults(wrapDefaults, draft.ctx.protocol)
  const stocked = stockedRolls(draft, request)
  const all = stocked.flatMap((item) => item.widthCm ?? [])
  const picked = (zone: RollZone): number | null => {
    if (!zone.pick) return null
    const [least, greatest] = zone.widthsCm
    const suiting = all.filter((width) => width >= least && width <= greatest)
    return zone.pick(suiting.length > 0 ? suiting : all, all)
  }
  const zones = request.zones
    .filter((zone) => zone.areaCm2 > 0)
    .map((zone): WrapZone => {
      const one = picked(zone)
      return {
        id: zone.id,
        leastWidthCm: one ?? zone.widthsCm[0],
        greatestWidthCm: one ?? zone.widthsCm[1],
        lengthFor: (widthCm) => wrapLength(zone.areaCm2, widthCm, wrap.halfOverlap, request.passes, wrap.takeUp) + zone.turnsCm,
      }
    })
  return chooseRolls(zones, stocked)
}

/** The rolls of one kind that are at hand; where none is, those of the catalogue, with a caution at the decision. */
export function stockedRolls(draft: PlanDraft, request: Pick<RollRequest, 'item' | 'decision'>): readonly StockItem[] {
  const { inStock } = draft.stock((item) => item.item === request.item)
  if (inStock.length > 0) return inStock
  draft.caution({
    level: 'caution',
    code: 'not-in-stock',
    decisions: [request.decision],
    steps: [],
    text: `${draft.labelOf(request.decision)}: none in stock; the number given is for the usual widths.`,
    why: `No ${request.item.replaceAll('-', ' ')} is listed as present.`,
  })
  return draft.ctx.catalogue.items.filter((item) => item.item === request.item)
}

function describeRolls(choice: RollChoice): string {
  return choice.rolls.map((roll) => `${roll.count} × ${roll.widthCm} cm`).join(' + ')
}
