import type { Estimate } from '../figures/body/pool-side'
import { resolveMeasurement, resolveSides } from '../figures/body/resolve-measurement'
import type { MeasurementDefinition } from '../model/measurement-definition'
import type { ClinicalCase, Overrule, StockItem } from '../model/clinical-case'
import type { Problem } from '../model/problem'
import type { PlanContext } from '../model/plan-context'
import { refuseValue, type DecisionDefinition } from '../model/decision-definition'
import type { Decision, DecisionStatus, DecisionUnit, DecisionValue, WorkingLine } from '../model/decision'
import { formatValue } from './format-decision'
import { applyOverrule, markOverruled, withStatus } from './overrule'
import { outsideRange, type OverruleRange } from './overruled-range'
import type { Caution, CautionLevel, Material } from '../model/plan'
import type { SlowTask } from '../model/slow-task'
import type { RoledCaution } from './at-steps'
import type { StepRole } from '../model/step-role'

export type DecisionDraft = Omit<Decision, 'label' | 'status' | 'display' | 'school' | 'unit'> & {
  /** Where the words or the unit differ from the declared ones. */
  readonly label?: string
  readonly unit?: DecisionUnit | null
  readonly display?: string
  readonly school?: string | null
  /** Least status, where a value is uncertain by its nature and no caution says so. */
  readonly status?: DecisionStatus
  /** What a figure set by hand may be in this case. */
  readonly range?: OverruleRange
}

export type CautionDraft = Omit<Caution, 'decisions' | 'steps'> & {
  readonly decisions?: readonly string[]
  readonly steps?: readonly string[]
  /** Roles of the steps at which it bites, for what holds in more than one technique. */
  readonly at?: readonly StepRole[]
}

/** Collects one plan while a technique computes it: readings resolved once, decisions, cautions, problems. */
export interface PlanDraft {
  readonly clinicalCase: ClinicalCase
  readonly ctx: PlanContext
  /** The estimate of a measurement, or null without a usable reading; what must be said about it is collected. */
  measure(definition: MeasurementDefinition): Estimate | null
  /** Both sides of a measurement that is read on each; a null where there is no usable reading. */
  measureSides(definition: MeasurementDefinition): { readonly left: Estimate | null; readonly right: Estimate | null }
  /** Every estimate that was asked for so far. */
  measured(): readonly Estimate[]
  /** Ids of every measurement that was asked for so far, read or not. */
  askedFor(): readonly string[]
  /** As `measure`, and a missing reading is a problem. */
  require(definition: MeasurementDefinition): Estimate | null
  /** The declared name of a decision. */
  labelOf(id: string): string
  /**
   * Adds a decision and returns the value to go on with: the overruled one where a clinician gave one.
   * @param refuse why a value set by hand cannot be used in this case, in words that end with the remedy; null when it can
   */
  decide<V extends DecisionValue>(decision: DecisionDraft & { readonly value: V }, refuse?: (value: DecisionValue) => string | null): V
  caution(caution: CautionDraft): void
  problem(problem: Problem): void
  material(material: Material): void
  slow(task: SlowTask): void
  /** Stocked items that `matches` accepts, with those at hand told from those that are out. */
  stock(matches: (item: StockItem) => boolean): {
    readonly inStock: readonly StockItem[]
    readonly out: readonly StockItem[]
    readonly isListed: boolean
  }
  collect(): {
    decisions: readonly Decision[]
    cautions: readonly Caution[]
    problems: readonly Problem[]
    materials: readonly Material[]
    pending: readonly SlowTask[]
  }
}

/**
 * Starts an empty draft for one case.
 * @param declared the decisions that may be made in it
 */
export function createDraft(clinicalCase: ClinicalCase, ctx: PlanContext, declared: readonly DecisionDefinition[]): PlanDraft {
  const decisions: Decision[] = []
  const cautions: RoledCaution[] = []
  const problems: Problem[] = []
  const materials: Material[] = []
  const pending: SlowTask[] = []
  const resolved = new Map<string, Estimate | null>()
  const byId = new Map(declared.map((definition) => [definition.id, definition]))
  const declaredAs = (id: string): DecisionDefinition => {
    const definition = byId.get(id)
    if (!definition) throw new Error(`${clinicalCase.technique} decides ${id} without having declared it`)
    return definition
  }

  const measure = (definition: MeasurementDefinition): Estimate | null => {
    const known = resolved.get(definition.id)
    if (known !== undefined) return known
    const result = resolveMeasurement(clinicalCase, definition, ctx.protocol)
    resolved.set(definition.id, result.estimate)
    problems.push(...result.problems)
    cautions.push(...result.cautions)
    return result.estimate
  }
  return {
    clinicalCase,
    ctx,
    measure,
    askedFor: () => [...resolved.keys()],
    measured: () => [...resolved.values()].flatMap((one) => one ?? []),
    measureSides(definition) {
      const { left, right, either } = resolveSides(clinicalCase, definition, ctx.protocol)
      for (const one of [left, right, either]) {
        problems.push(...one.problems)
        cautions.push(...one.cautions)
      }
      if (either.estimate) {
        problems.push({
          code: 'missing',
          path: `measurements/${definition.id}/side`,
          message: `${definition.label}: say whether it was read on the left or the right. The reading is not used until then.`,
        })
      }
      return { left: left.estimate, right: right.estimate }
    },
    require(definition) {
      const estimate = measure(definition)
      const path = `measurements/${definition.id}`
      if (!estimate && !problems.some((problem) => problem.path.startsWith(path))) {
        problems.push({
          code: 'missing',
          path,
          message: `${definition.label} is missing: measure ${lowerFirst(definition.landmarks)}.`,
        })
      }
      return estimate
    },
    labelOf: (id) => declaredAs(id).label,
    decide(draft, refuse) {
      const definition = declaredAs(draft.id)
      const unit = draft.unit === undefined ? definition.unit : draft.unit
      const { range } = draft
      const decision: Decision = {
        ...(range === undefined ? draft : withoutRange(draft)),
        label: draft.label ?? definition.label,
        unit,
        school: draft.school ?? null,
        status: draft.status ?? 'ok',
        display: draft.display ?? formatValue(draft.value, unit),
      }
      const effective = applyOverrule(decision, clinicalCase.overrules)
      // Every overrule here was accepted by its declaration, save where the case itself sets the range or the unit.
      const inUnit = definition.alternative ? refuseValue(definition, effective.value, [], unit) : null
      const refusal = effective.overruled ? (inUnit ?? refuse?.(effective.value) ?? null) : null
      if (refusal) {
        problems.push({
          code: 'out-of-range',
          path: `overrules/${draft.id}`,
          message: `The overrule is not usable. ${refusal} Set it again.`,
        })
        decisions.push(decision)
        return draft.value
      }
      decisions.push(effective)
      const beyond = outsideRange(effective, range)
      if (beyond) cautions.push({ steps: [], ...beyond })
      return effective.value as typeof draft.value
    },
    caution(draft) {
      cautions.push({ decisions: [], steps: [], ...draft })
    },
    problem: (problem) => void problems.push(problem),
    material: (material) => void materials.push(material),
    slow: (task) => void pending.push(task),
    stock(matches) {
      const isListed = clinicalCase.stock !== 'catalogue'
      const [inStock, out]: [StockItem[], StockItem[]] = [[], []]
      for (const item of clinicalCase.stock === 'catalogue' ? ctx.catalogue.items : clinicalCase.stock)
        if (matches(item)) (item.count === undefined || item.count > 0 ? inStock : out).push(item)
      return { isListed, inStock, out }
    },
    collect() {
      const marked = mergeCautions(cautions).map((mergeCaution) =>
        markOverruled(mergeCaution, clinicalCase.overrules, decisions, (id) => declaredAs(id).step),
      )
      return {
        decisions: decisions.map((decision) => withStatus(decision, marked)),
        cautions: marked,
        problems: [...problems, ...floorsSetAside(marked, clinicalCase.overrules)],
        materials,
        pending,
      }
    },
  }
}

function withoutRange({ range: _, ...draft }: DecisionDraft): DecisionDraft {
  return draft
}

/** A working line for an estimate, with its side, its time and its place on the lane. */
export function workingOf(estimate: Estimate, unit: string = 'cm'): WorkingLine {
  return {
    label: estimate.label,
    value: estimate.value,
    unit,
    from: 'measured',
    where: estimate.id,
    ...(estimate.side ? { side: estimate.side } : {}),
    ...(estimate.at ? { at: estimate.at } : {}),
  }
}

const levelOrder: Record<CautionLevel, number> = { stop: 0, caution: 1, note: 2 }

/** Worst first; the same words twice stand once. */
/** A floor that somebody set aside stays, and is not silent about it. */
function floorsSetAside(cautions: readonly Caution[], overrules: readonly Overrule[]): readonly Problem[] {
  return overrules.flatMap(({ caution }, index) =>
    cautions.some(({ code, isFloor }) => isFloor && code === caution)
      ? [
          {
            code: 'out-of-range' as const,
            path: `overrules/${index}/caution`,
            message: `${caution} is a floor of safety and is not set aside: change what raises it.`,
          },
        ]
      : [],
  )
}

function mergeCautions(cautions: readonly RoledCaution[]): readonly RoledCaution[] {
  const seen = new Map<string, RoledCaution>()
  for (const caution of cautions) {
    const key = `${caution.code}|${caution.text}`
    if (!seen.has(key)) seen.set(key, caution)
  }
  return [...seen.values()].sort((a, b) => levelOrder[a.level] - levelOrder[b.level])
}

function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1)
}
