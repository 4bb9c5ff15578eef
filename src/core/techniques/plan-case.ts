import { judgeHands } from './judge-hands'
import { judgeOrders } from './judge-orders'
import { hasFlag, type ClinicalCase } from '../model/clinical-case'
import type { Problem } from '../model/problem'
import { withUsableLevel } from '../planner/usable-level'
import { resolveOptions } from '../planner/resolve-options'
import { judgePlace } from '../planner/judge-place'
import { girthFaults } from '../figures/body/girth-neighbours'
import { lengthFaults } from '../figures/body/length-order'
import type { Side } from '../model/vocabulary'
import { findTechnique } from './registry'
import { withChangeOver } from './change-over'
import type { OptionValues, Technique, TechniqueOutcome } from '../planner/technique'
import { atSteps } from '../planner/at-steps'
import { shapeOfSteps } from './shape-of-steps'
import { itemsAtHand, usableOverrules } from '../planner/usable-overrules'
import type { PlanContext } from '../model/plan-context'
import { createDraft, type PlanDraft } from '../planner/draft'
import { takeRemembered } from '../planner/apply-slow-result'
import type { Material, Plan } from '../model/plan'
import type { Step } from '../model/step'
import type { StepLine } from '../model/step-line'
import { itemsWithFigures } from '../planner/fetch-from'

/** Version of the computing core, kept with every plan it makes: raised with each change of what it says of the same case. */
export const coreVersion = '0.5.14'

/** A case worked out by its technique, before its cautions are placed at steps. */
export interface WorkedOut {
  readonly technique: Technique
  readonly clinicalCase: ClinicalCase
  readonly options: OptionValues
  readonly outcome: TechniqueOutcome
  readonly collected: ReturnType<PlanDraft['collect']>
}

/**
 * Plans one case: options, rules that hold for every technique, then the technique's own computing. Never
 * throws on clinical input; what is wrong is in `problems` and `cautions`.
 * @param entered the case as read by `readCase`
 * @param ctx catalogue, protocol, seed, time, zone and memo
 * @param readProblems problems already found while reading the case file
 * @returns a plan, with slow decisions pending unless the memo knows them; null for an unknown technique
 */
export function planCase(entered: ClinicalCase, ctx: PlanContext, readProblems: readonly Problem[] = []): Plan | null {
  const worked = workOut(entered, ctx, readProblems)
  if (!worked) return null
  const { technique, clinicalCase, options, outcome } = worked
  const { decisions, problems, materials, pending, ...collected } = worked.collected
  const { roles, musts } = shapeOfSteps(technique, outcome.steps)
  // A copy of each is made here, once: what is found out of the whole plan is put into it below.
  const own = outcome.steps.map((step, at): Step => ({ ...step, roles: roles[at] ?? [], cautions: [] }))
  const old = findTechnique(clinicalCase.replaces ?? '')
  const steps = old ? withChangeOver(own, old, technique) : own
  const cautions = collected.cautions.map((caution) => atSteps(caution, steps))
  const codesByStep = new Map<string, string[]>()
  for (const { code, steps: bitten } of cautions)
    for (const id of bitten) {
      const codes = codesByStep.get(id)
      if (!codes) codesByStep.set(id, [code])
      else if (!codes.includes(code)) codes.push(code)
    }
  const plan: Plan = {
    format: 'zesty-wren/plan',
    version: 1,
    technique: technique.id,
    versions: { core: coreVersion, protocol: `${ctx.protocol.name}/${ctx.protocol.version}`, catalogue: ctx.catalogue.version },
    options,
    decisions,
    materials,
    ...(outcome.rolls ? { rolls: outcome.rolls } : {}),
    cautions,
    procedure: {
      // Steps that take an old device off say by themselves what binds them.
      steps: steps.map((step) => {
        const whole = step as Written<Step>
        whole.cautions = codesByStep.get(step.id) ?? []
        const bound = musts.get(step.id)
        if (bound) whole.musts = bound
        if (step.items) Object.assign(whole, laidOut(step.items, materials))
        whole.lines ??= [uncut(whole.text)]
        return whole
      }),
    },
    fit: outcome.fit,
    care: outcome.care,
    schedule: outcome.schedule,
    geometry: outcome.geometry,
    problems,
    pending,
  }
  return takeRemembered(technique, plan, ctx, clinicalCase.overrules)
}

/** What is being put together, field by field. */
type Written<T> = { -readonly [Field in keyof T]: T[Field] }

/** What a technique makes of a case; null for an unknown technique. */
export function workOut(entered: ClinicalCase, ctx: PlanContext, readProblems: readonly Problem[] = []): WorkedOut | null {
  const technique = findTechnique(entered.technique)
  if (!technique) return null
  const accepted = usableOverrules(technique, entered.overrules, itemsAtHand(entered.stock, ctx.catalogue.items))
  const { clinicalCase, problem: levelProblem } = withUsableLevel({ ...entered, overrules: accepted.overrules })
  const options = resolveOptions(technique, clinicalCase, ctx.protocol)
  const draft = createDraft(clinicalCase, ctx, technique.decisions)
  readProblems.forEach(draft.problem)
  accepted.problems.forEach(draft.problem)
  options.problems.forEach(draft.problem)
  if (levelProblem) draft.problem(levelProblem)
  judgePlace(draft, technique, options.values)
  technique.judge?.(draft, options.values)
  const outcome = technique.plan(draft, options.values)
  judgeHands(draft, technique, outcome)
  judgeOrders(draft)
  warnAboutNeighbours(draft)
  addStandingNotes(
    draft,
    technique,
    outcome.schedule.some((entry) => entry.kind === 'round'),
  )
  return { technique, clinicalCase, options: options.values, outcome, collected: draft.collect() }
}

/** What the step that lays out says, with what is cut and counted in figures. */
function laidOut(wanted: readonly string[], materials: readonly Material[]): Pick<Step, 'items' | 'text' | 'lines'> {
  const items = itemsWithFigures(wanted, materials)
  return {
    items,
    text: `Lay out in the order of use: ${items.join('; ')}.`,
    lines: [{ id: 'fetch', act: 'fetch', by: 'table', text: 'Everything on the list, within reach of your hand.', uses: items }],
  }
}

/** The line of a step that is not cut into lines yet: its whole text. */
function uncut(text: string): StepLine {
  return { id: 'all', act: 'say', by: 'you', text, isUncut: true }
}

/** Lengths that went into the plan and cannot stand beside each other, and girths that hardly can. */
function warnAboutNeighbours(draft: PlanDraft): void {
  const { patient, injury } = draft.clinicalCase
  const lengthsCm = Object.fromEntries(draft.measured().map((estimate) => [estimate.id, estimate.value]))
  const isSwollen = (side: Side | undefined): boolean => injury.swelling !== 'none' && side !== undefined && side === injury.side
  const girths = Object.fromEntries(
    draft.measured().map((estimate) => [estimate.id, { cm: estimate.value, isSwollen: isSwollen(estimate.side) }]),
  )
  for (const fault of [...lengthFaults(lengthsCm, patient.heightCm ?? null), ...girthFaults(girths)]) {
    draft.caution({
      level: 'caution',
      code: 'check-reading',
      text: 'Measure both again: one of them is a slip.',
      why: fault.text,
    })
  }
}

function addStandingNotes(draft: PlanDraft, technique: Technique, hasRounds: boolean): void {
  const { clinicalCase } = draft
  if ([technique.bodyRegion].flat().includes('leg')) {
    draft.caution({
      level: 'note',
      code: 'clot-risk',
      text: 'Do the local clot-risk assessment.',
      why: 'A leg held still clots more easily, in bed or on crutches.',
    })
  }
  if (hasFlag(clinicalCase, 'cannot-be-moved')) {
    draft.caution({
      level: 'note',
      code: 'cannot-be-moved',
      at: ['settles'],
      text: 'Work with the patient as found, with one more holder.',
      why: 'Moving costs more than an awkward position does.',
    })
  }
  if (hasFlag(clinicalCase, 'no-sound-side')) {
    draft.caution({
      level: 'note',
      code: 'no-sound-side',
      text: 'There is no sound side: compare with the baseline only.',
      why: 'Both sides are hurt, or one is absent.',
    })
  }
  if (hasRounds && (!clinicalCase.appliedAt || !clinicalCase.zone)) {
    draft.caution({
      level: 'note',
      code: 'no-clock',
      text: clinicalCase.zone
        ? 'Rounds at shift changes are listed once it is on.'
        : 'Rounds at shift changes are left out: the case names no time zone.',
      why: 'Shift times need a clock and a place.',
    })
  }
}
