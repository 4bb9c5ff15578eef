import type { ClinicalCase } from '../model/clinical-case'
import type { PlanContext } from '../model/plan-context'
import type { Caution, Plan } from '../model/plan'
import { planCase } from './plan-case'
import { measureFixedWindow } from '../figures/crew/fixed-window'
import { findTechnique, techniques } from './registry'
import { judgeSuitability } from '../planner/suits'
import type { Technique } from '../planner/technique'

export interface TechniqueNeeds {
  /** Fewest people, where it is known without measuring. */
  readonly people: number
  /** Likely minutes, one step after another. */
  readonly minutes: number
  /** What has to be in stock, and whether it is. */
  readonly stock: readonly { readonly item: string; readonly isInStock: boolean }[]
}

/** Whether a technique suits, the store looked at too. */
export interface SuitedTechnique {
  readonly technique: Technique
  readonly verdict: 'go' | 'caution' | 'stop'
  readonly reasons: readonly Caution[]
  readonly stock: TechniqueNeeds['stock']
}

export interface RankedTechnique extends Omit<SuitedTechnique, 'stock'> {
  readonly needs: TechniqueNeeds
}

const order = { go: 0, caution: 1, stop: 2 } as const

/**
 * Every technique for a patient and injury, ranked: those for this part of the body first, then go, caution, stop; with what
 * it needs and whether the store has it. A part that is out counts as a caution.
 * @param clinicalCase its technique, options and overrules are set aside for the others
 */
export function rankTechniques(clinicalCase: ClinicalCase, ctx: PlanContext): readonly RankedTechnique[] {
  return rankBySuit(clinicalCase, ctx).map(({ technique, verdict, reasons, stock }) => ({
    technique,
    verdict,
    reasons,
    needs: { ...needsOf(planCase(asFor(technique, clinicalCase), ctx)), stock },
  }))
}

/** The same ranking without what each needs, which takes a plan of each. */
export function rankBySuit(clinicalCase: ClinicalCase, ctx: PlanContext): readonly SuitedTechnique[] {
  return techniques
    .map((technique) => suitOf(technique, clinicalCase, ctx))
    .sort((a, b) => order[a.verdict] - order[b.verdict] || fitRank(a, clinicalCase) - fitRank(b, clinicalCase))
}

/** Named regions and patterns first. */
function fitRank({ technique }: SuitedTechnique, { injury }: ClinicalCase): number {
  const isNamedPattern = technique.patterns.includes(injury.pattern)
  const isNamedRegion = injury.region !== undefined && technique.regions.includes(injury.region)
  return (isNamedPattern ? 0 : 2) + (isNamedRegion ? 0 : 1)
}

/** The case as it would be with a technique. */
function asFor(technique: Technique, from: ClinicalCase): ClinicalCase {
  return from.technique === technique.id ? from : { ...from, technique: technique.id, options: keptOptions(technique, from), overrules: [] }
}

function suitOf(technique: Technique, from: ClinicalCase, ctx: PlanContext): SuitedTechnique {
  const clinicalCase = asFor(technique, from)
  const suitability = judgeSuitability(technique, clinicalCase, ctx)
  const listed = clinicalCase.stock === 'catalogue' ? ctx.catalogue.items : clinicalCase.stock
  const stock = technique.uses(suitability.options).map((item) => ({
    item,
    isInStock: listed.some((one) => (one.item === item || one.technique === item) && (one.count === undefined || one.count > 0)),
  }))
  const missing = stock.filter((one) => !one.isInStock)
  const nothingOn = technique.opensCasts && from.technique !== technique.id && !isCastOn(from) ? [noCastOn] : []
  const reasons = [...nothingOn, ...suitability.reasons, ...missing.map((one) => outOfStock(one.item))]
  const suits = nothingOn.length > 0 ? 'stop' : suitability.verdict
  return { technique, reasons, stock, verdict: suits === 'go' && missing.length > 0 ? 'caution' : suits }
}

function needsOf(plan: Plan | null): Omit<TechniqueNeeds, 'stock'> {
  const crew = plan?.pending.find((task) => task.decision === 'least-crew')
  const decided = plan?.decisions.find((decision) => decision.id === 'least-crew' || decision.id === 'people')
  return {
    people: crew?.decision === 'least-crew' ? crew.input.floor : Number(decided?.value ?? 1),
    minutes: plan ? measureFixedWindow(plan.procedure.steps).serialMin : 0,
  }
}

/** A cast can be opened where one is on. */
function isCastOn(from: ClinicalCase): boolean {
  return from.appliedAt !== undefined && findTechnique(from.technique)?.isCast === true
}
const noCastOn: Caution = {
  level: 'stop',
  code: 'no-cast-on',
  decisions: [],
  steps: [],
  text: 'No cast is on here: nothing to open.',
  why: 'A cast from elsewhere is entered as already on.',
}

/**
 * What would suit better than the technique in hand: the best ranked, where the one in hand is stopped, or is no go while another is.
 * @param ranked as `rankTechniques` gives them
 * @returns null where the one in hand is as good as any
 */
export function betterThan(technique: string, ranked: readonly RankedTechnique[]): RankedTechnique | null {
  const own = ranked.find((one) => one.technique.id === technique)
  const [best] = ranked
  if (!own || !best || best.technique.id === technique || order[best.verdict] >= order[own.verdict]) return null
  return own.verdict === 'stop' || best.verdict === 'go' ? best : null
}

/** Options that mean the same for every technique go along. */
function keptOptions(technique: Technique, from: ClinicalCase): ClinicalCase['options'] {
  const shared = ['supplies', 'position'].filter(
    (id) => from.options[id] !== undefined && technique.options.some((option) => option.id === id),
  )
  return Object.fromEntries(shared.map((id) => [id, from.options[id] ?? '']))
}

function outOfStock(item: string): Caution {
  return {
    level: 'caution',
    code: 'not-in-stock',
    decisions: [],
    steps: ['lay-out'],
    text: `No ${item.replaceAll('-', ' ')} in stock here.`,
    why: 'None is listed as present.',
  }
}
