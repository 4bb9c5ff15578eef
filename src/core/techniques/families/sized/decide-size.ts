import type { StockItem } from '../../../model/clinical-case'
import type { MeasurementDefinition } from '../../../model/measurement-definition'
import type { Alternative, SizeStrip } from '../../../model/decision'
import { workingOf, type PlanDraft } from '../../../planner/draft'
import type { Estimate } from '../../../figures/body/pool-side'
import { chooseSize, leastOdds, pickSubstitute, type SizeChoice, type SizeOdds, type SizeRule } from '../../../figures/sizing/choose-size'
import { hasPlusFour, pickPlusFour } from '../../../figures/sizing/plus-four'
import type { SizedDimension } from '../../../figures/sizing/size-odds'

export interface SizedReading {
  readonly definition: MeasurementDefinition
  readonly estimate: Estimate | null
  /** Added for swelling or by the school, cm. */
  readonly allowanceCm: number
}

export interface SizeRequest {
  readonly decision: string
  /** Which stock items are sizes of this device. */
  readonly matches: (item: StockItem) => boolean
  readonly readings: readonly SizedReading[]
  /** Used when an item says nothing itself. */
  readonly prefer: 'larger' | 'smaller'
  readonly rule: 'odds' | 'plus-four'
  /** How several dimensions make one odds: their product, unless it says otherwise. */
  readonly combine?: SizeRule
  readonly school: string | null
  /** What it is sized by, when that is less than usual. */
  readonly words?: string
  readonly steps: readonly string[]
  /** Goes with a device: where the list has none of its kind the catalogue counts, with a word. */
  readonly isAccessory?: boolean
}

const betweenOdds = 0.6
const settledOdds = 0.8

/**
 * Decides a device size: odds of each labelled range, best in stock, and what has to be said
 * about it: `between-sizes`, `substitute`, `no-size`, a dimension that was not measured.
 * @returns the chosen size with its item, or null when nothing was measured or no size exists
 */
export function decideSize(draft: PlanDraft, request: SizeRequest): SizeOdds | null {
  const measured = request.readings.flatMap((reading) => (reading.estimate ? [{ ...reading, estimate: reading.estimate }] : []))
  if (measured.length === 0) return null
  const dimensions = measured.map(({ definition, estimate, allowanceCm }): SizedDimension => ({
    id: definition.id,
    value: estimate.value,
    sd: estimate.sd,
    allowance: allowanceCm,
    isGirth: definition.kind === 'girth',
  }))
  const { inStock, out } = draft.stock((item) => request.matches(item) && item.size !== undefined && item.fits !== undefined)
  const listed = [...inStock, ...out]
  const items = listed.length === 0 && request.isAccessory ? fromCatalogue(draft, request) : listed
  const choice = chooseSize(items, dimensions, request.prefer, request.combine)
  if (!choice) {
    noSize(draft, request, 'No size of it is listed.')
    return null
  }
  warnUnmeasured(draft, request, items)
  const wanted = request.rule === 'plus-four' ? pickPlusFour(choice.all, dimensions[0] ?? null) : choice.best
  const chosen = wanted.isInStock ? wanted : pickSubstitute(choice.all, dimensions, request.prefer)
  const used = chosen ?? wanted
  if (request.rule === 'plus-four' && measured.length > 0 && !hasPlusFour(choice.all, dimensions[0] ?? null))
    noSize(draft, request, 'Girth + 4 cm lies beyond the range of every size.')
  else judge(draft, request, choice, wanted, chosen)
  draft.decide({
    id: request.decision,
    value: used.size,
    display: `${used.size}${request.words ? ` ${request.words}` : ''}, odds ${percent(used.odds)} of being in its labelled range`,
    odds: used.odds,
    school: request.school,
    source: 'practice',
    formula:
      request.rule === 'plus-four'
        ? 'Girth + 4 cm; the smallest size whose range holds it, else the next larger. Odds with the same allowance.'
        : 'Odds of being in each labelled range, the reading and its allowance taken as normal; the best wins, near equals by preference.',
    working: measured.flatMap(({ estimate, allowanceCm }) => [
      workingOf(estimate),
      { label: `Doubt of the reading, ${estimate.label}`, value: estimate.sd, unit: 'cm', from: 'computed' as const },
      { label: 'Allowance', value: allowanceCm, unit: 'cm', from: 'computed' as const },
    ]),
    alternatives: alternativesOf(choice, used),
    ...(measured[0] ? { sd: measured[0].estimate.sd, strip: stripOf(measured[0].estimate, dimensions[0]!, choice, used) } : {}),
  })
  layOut(draft, request.decision, draft.labelOf(request.decision), used.size)
  return used
}

/** The catalogue's sizes of something that the case's own list does not know. */
function fromCatalogue(draft: PlanDraft, request: SizeRequest): readonly StockItem[] {
  draft.caution({
    level: 'caution',
    code: 'not-in-stock',
    decisions: [request.decision],
    steps: request.steps,
    text: `${draft.labelOf(request.decision)}: none is in stock; the size is of the usual ones.`,
    why: 'None is listed as present.',
  })
  return draft.ctx.catalogue.items.filter((item) => request.matches(item) && item.size !== undefined && item.fits !== undefined)
}

function stripOf(estimate: Estimate, dimension: SizedDimension, choice: SizeChoice, used: SizeOdds): SizeStrip {
  return {
    dimension: estimate.label,
    meanCm: dimension.value + dimension.allowance,
    readingSdCm: dimension.sd,
    allowanceSdCm: 0.5 * dimension.allowance,
    sizes: choice.all
      .flatMap((size) => {
        const range = size.item.fits?.[dimension.id]
        if (!range) return []
        return [{ size: size.size, fromCm: range[0], toCm: range[1], odds: size.odds, isInStock: size.isInStock, isUsed: size === used }]
      })
      .sort((a, b) => a.fromCm - b.fromCm || a.toCm - b.toCm),
    isSettledByRemeasuring: choice.best.odds < betweenOdds && choice.oddsAfterRemeasuring > settledOdds,
  }
}

/** Puts a device on the lay-out list. */
export function layOut(draft: PlanDraft, id: string, item: string, note: string): void {
  draft.material({ id, item: item.toLowerCase(), widthCm: null, lengthCm: null, rolls: null, layers: null, note })
}

function alternativesOf(choice: SizeChoice, used: SizeOdds): readonly Alternative[] {
  return choice.all
    .filter((size) => size !== used)
    .map((size) => ({
      value: size.size,
      display: size.size,
      odds: size.odds,
      why: `${percent(size.odds)} of being in its range${size.isInStock ? '' : ', out of stock'}.`,
    }))
}

function judge(draft: PlanDraft, request: SizeRequest, choice: SizeChoice, wanted: SizeOdds, chosen: SizeOdds | null): void {
  const decisions = [request.decision]
  const { steps } = request
  if (choice.best.odds < betweenOdds && choice.best.odds >= leastOdds) {
    const settles = choice.oddsAfterRemeasuring > settledOdds ? ' Measuring again with half the doubt would settle it.' : ''
    draft.caution({
      level: 'caution',
      code: 'between-sizes',
      decisions,
      steps,
      text: `Between sizes: try it, and have the next one at hand.${settles}`,
      why: `The best labelled range holds it with odds of ${percent(choice.best.odds)} only.`,
    })
  }
  if (chosen !== wanted && chosen) {
    draft.caution({
      level: 'caution',
      code: 'substitute',
      decisions,
      steps,
      text: `${wanted.size} is out of stock: ${chosen.size} is the next best here.`,
      why: `Odds of ${percent(chosen.odds)} instead of ${percent(wanted.odds)}.`,
    })
  }
  if (!chosen) noSize(draft, request, `${wanted.size} would suit, and none of it is in stock.`)
  else if (chosen.odds < leastOdds) noSize(draft, request, `The best here, ${chosen.size}, has odds of ${percent(chosen.odds)}.`)
}

function noSize(draft: PlanDraft, request: SizeRequest, why: string): void {
  draft.caution({
    level: 'stop',
    code: 'no-size',
    decisions: [request.decision],
    steps: request.steps,
    text: `${draft.labelOf(request.decision)}: no size here suits. Choose another technique or fetch the size.`,
    why,
  })
}

function warnUnmeasured(draft: PlanDraft, request: SizeRequest, items: readonly StockItem[]): void {
  const named = new Set(items.flatMap((item) => Object.keys(item.fits ?? {})))
  const missing = request.readings.filter((reading) => !reading.estimate && named.has(reading.definition.id))
  if (missing.length === 0) return
  draft.caution({
    level: 'caution',
    code: 'check-reading',
    decisions: [request.decision],
    text: `Not measured: ${missing.map((one) => one.definition.label.toLowerCase()).join(', ')}. Measure it: the size was chosen without it.`,
    why: 'A dimension that was not read is left out of the odds.',
  })
}

function percent(odds: number): string {
  return `${(100 * odds).toFixed(0)} %`
}
