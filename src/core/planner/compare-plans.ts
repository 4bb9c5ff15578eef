import type { Decision, DecisionValue } from '../model/decision'
import { hasRole, type DecisionDefinition } from '../model/decision-definition'
import type { Caution, CautionLevel, Material, Plan } from '../model/plan'
import { describeMaterial } from './describe-material'

/** One figure that differs between two plans; null where a plan does not have it. */
export interface DecisionChange {
  readonly id: string
  readonly label: string
  readonly before: string | null
  readonly after: string | null
}

/** What another school, size or reading would change. */
export interface PlanChanges {
  readonly decisions: readonly DecisionChange[]
  /** Materials in words; null where a plan does not need it. */
  readonly materials: readonly { readonly before: string | null; readonly after: string | null }[]
  /** Texts of cautions that only one of the plans has. */
  readonly cautionsGone: readonly string[]
  readonly cautionsNew: readonly string[]
  /** Texts of cautions that weigh more than before. */
  readonly cautionsRaised: readonly string[]
  /** Texts of steps that only one of the plans has. */
  readonly stepsGone: readonly string[]
  readonly stepsNew: readonly string[]
  /** Texts of steps that come in another order, and of steps that say something else. */
  readonly stepsMoved: readonly string[]
  readonly stepsReworded: readonly { readonly before: string; readonly after: string }[]
}

/**
 * Compares two plans of one case by what a person could see.
 * @param definitions where given, a number counts as another one only from its declared step on, and figures inside of words do not count;
 *   without them any difference does
 */
export function comparePlans(before: Plan, after: Plan, definitions: readonly DecisionDefinition[] | null = null): PlanChanges {
  const isOpen = (id: string): boolean => [...before.pending, ...after.pending].some((task) => task.decision === id)
  const isFound = (id: string): boolean => definitions?.some((definition) => definition.id === id && hasRole(definition, 'found')) === true
  const ids = [...new Set([...before.decisions, ...after.decisions].map((decision) => decision.id))].filter(
    (id) => definitions === null || !(isOpen(id) || isFound(id)),
  )
  const decisions = ids.flatMap((id): DecisionChange[] => {
    const [was, is] = [before, after].map((plan) => plan.decisions.find((decision) => decision.id === id))
    const step = definitions?.find((definition) => definition.id === id)?.step ?? null
    if (was && is && isSameDecision(was, is, step)) return []
    return [{ id, label: (is ?? was)?.label ?? id, before: was?.display ?? null, after: is?.display ?? null }]
  })
  const words = definitions === null ? (text: string): string => text : withoutFigures
  // What a reading of the fit brings stands as a reading: it asks for no other plan.
  const planned = (plan: Plan): readonly Caution[] =>
    plan.cautions.filter((caution) => caution.level === 'stop' || caution.decisions.length === 0 || !caution.decisions.every(isFound))
  const onlyCautions = (plan: Plan, other: Plan): readonly string[] =>
    planned(plan)
      .filter((caution) => !other.cautions.some((each) => isSameCaution(caution, each, words)))
      .map((caution) => caution.text)
  return {
    decisions,
    materials: materialChanges(before, after, words),
    cautionsGone: [...new Set(onlyCautions(before, after))],
    cautionsNew: [...new Set(onlyCautions(after, before))],
    cautionsRaised: planned(after)
      .filter((caution) => isRaised(caution, before.cautions, words))
      .map((caution) => caution.text),
    ...stepChanges(before, after, words),
  }
}

/**
 * Whether a change matters: a figure by its step or more, a material, a step added, gone, moved or reworded, a caution added or raised.
 * A caution that is gone alone does not.
 */
export function isOfSubstance(changes: PlanChanges): boolean {
  const { cautionsGone, ...rest } = changes
  void cautionsGone
  return Object.values(rest).some((list) => (list as readonly unknown[]).length > 0)
}

function isSameDecision(was: Decision, is: Decision, step: number | null): boolean {
  if (step === null || step === 0) return was.display === is.display
  return isWithin(was.value, is.value, step)
}

function isWithin(a: DecisionValue, b: DecisionValue, step: number): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) < step - 1e-9
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((one, index) => isWithin(one as number, b[index] as number, step))
  return a === b
}

/** Words without the figures in them: these are compared as figures. */
function withoutFigures(text: string): string {
  return text.replace(/\d+([.,]\d+)?/g, '#')
}

function isSameCaution(a: Caution, b: Caution, words: (text: string) => string): boolean {
  return a.code === b.code && words(a.text) === words(b.text)
}

/**
 * Cautions that a plan brings beside those of another: new ones, heavier ones, and those that were set aside and came back; figures inside
 * of words do not count.
 */
export function cautionsBrought(before: readonly Caution[], after: readonly Caution[]): readonly Caution[] {
  return after.filter(
    (caution) => !before.some((each) => isSameCaution(caution, each, withoutFigures)) || isRaised(caution, before, withoutFigures),
  )
}

const weights: readonly CautionLevel[] = ['note', 'caution', 'stop']

function isRaised(caution: Caution, before: readonly Caution[], words: (text: string) => string): boolean {
  const was = before.filter((one) => isSameCaution(one, caution, words))
  if (was.length === 0) return false
  const wasOpen = was.some((one) => !one.overruled)
  const most = Math.max(...was.map((one) => weights.indexOf(one.level)))
  return weights.indexOf(caution.level) > most || (!caution.overruled && !wasOpen)
}

function materialChanges(before: Plan, after: Plan, words: (text: string) => string): PlanChanges['materials'] {
  const inWords = (material: Material): string => describeMaterial(material, 'metric')
  const isSame = (a: Material, b: Material): boolean =>
    a.item === b.item && a.widthCm === b.widthCm && a.rolls === b.rolls && a.layers === b.layers && words(inWords(a)) === words(inWords(b))
  const ids = [...new Set([...before.materials, ...after.materials].map((material) => material.id))]
  return ids.flatMap((id) => {
    const [was, is] = [before, after].map((plan) => plan.materials.find((material) => material.id === id))
    if (was && is && isSame(was, is)) return []
    return [{ before: was ? inWords(was) : null, after: is ? inWords(is) : null }]
  })
}

function stepChanges(
  before: Plan,
  after: Plan,
  words: (text: string) => string,
): Pick<PlanChanges, 'stepsGone' | 'stepsNew' | 'stepsMoved' | 'stepsReworded'> {
  const [was, is] = [before.procedure.steps, after.procedure.steps]
  const common = is.filter((step) => was.some((one) => one.id === step.id))
  const order = was.filter((step) => is.some((one) => one.id === step.id)).map((step) => step.id)
  const reworded = common.flatMap((step) => {
    const old = was.find((one) => one.id === step.id)
    return old && words(old.text) !== words(step.text) ? [{ before: old.text, after: step.text }] : []
  })
  return {
    stepsGone: was.filter((step) => !is.some((one) => one.id === step.id)).map((step) => step.text),
    stepsNew: is.filter((step) => !was.some((one) => one.id === step.id)).map((step) => step.text),
    stepsMoved: common.filter((step, index) => order[index] !== step.id).map((step) => step.text),
    stepsReworded: reworded,
  }
}
