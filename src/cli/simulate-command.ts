import { hasStepRole } from '#core/model/step-role'
import { legGirths } from '#core/figures/body/measurements/leg'
import { armGirths } from '#core/figures/body/measurements/arm'
import { readCase } from '#core/files/read-case'
import type { ClinicalCase } from '#core/model/clinical-case'
import type { Problem } from '#core/model/problem'
import { decisionInRole } from '#core/techniques/decision-in-role'
import { createDraft, type PlanDraft } from '#core/planner/draft'
import { measureLeg } from '#core/planner/body/measure-leg'
import { findTechnique } from '#core/techniques/registry'
import type { PlanContext } from '#core/model/plan-context'
import { finishPlan } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'
import type { Plan } from '#core/model/plan'
import { solveSlowTask } from '#core/planner/solve-slow-task'
import { compareOpenings } from '#core/figures/swelling/compare-openings'
import { greatestGirthGrowth } from '#core/figures/swelling/girth-growth'
import { describeRig, hasRig, rigStops } from '#core/techniques/families/traction/describe-rig'
import { paddedAt } from '#core/techniques/families/wraps/leg-wraps'
import { createCliContext } from './context'
import { problemLine, readInput } from './read-input'

export const simulations = ['heat', 'rig', 'swelling'] as const
export type Simulation = (typeof simulations)[number]

interface Simulated {
  readonly answer: object
  readonly isStop: boolean
}

/**
 * Runs one simulation on a case file and prints its answer as JSON.
 * @returns 3 on a stop, 2 when the case lacks what it needs, else 0
 */
export function runSimulate(what: Simulation, file: string): number {
  const input = readInput(file)
  const read = 'problem' in input ? { clinicalCase: null, problems: [input.problem] } : readCase(input.data)
  const ctx = createCliContext()
  const plan = read.clinicalCase && planCase(read.clinicalCase, ctx, read.problems)
  const problems: Problem[] = [...(plan?.problems ?? read.problems)]
  const simulated = plan && read.clinicalCase ? simulate(what, read.clinicalCase, plan, ctx, problems) : null
  problems.forEach((problem) => process.stderr.write(problemLine(problem)))
  if (!simulated) return 2
  process.stdout.write(`${JSON.stringify(simulated.answer, null, 2)}\n`)
  if (simulated.isStop) return 3
  return problems.length > 0 ? 2 : 0
}

function simulate(what: Simulation, clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext, problems: Problem[]): Simulated | null {
  switch (what) {
    case 'heat':
      return simulateHeat(clinicalCase, plan, ctx, problems)
    case 'swelling':
      return simulateSwelling(clinicalCase, plan, ctx, problems)
    case 'rig':
      return simulateRig(clinicalCase, plan, ctx, problems)
  }
}

function simulateHeat(clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext, problems: Problem[]): Simulated | null {
  const task = plan.pending.find((one) => one.decision === 'peak-skin-temp')
  if (!task) return refuse(problems, 'technique', `${clinicalCase.technique} sets nothing that warms: use a slab or cast technique.`)
  const solved = solveSlowTask(task, ctx.memo)
  if (solved.decision !== 'peak-skin-temp') return null
  const { peakC, peakMin, minutesAbove44, omega, skinC } = solved.result
  const finished = finishPlan(plan, ctx, clinicalCase.overrules)
  // A stop where it is wetted is one of the heat: too hot a dip, or a burn.
  const wetting = plan.procedure.steps.flatMap((step) => (hasStepRole(step, 'wets') ? [step.id] : []))
  return {
    answer: { format: 'zesty-wren/heat', version: 1, peakC, peakMin, minutesAbove44, omega, skinC },
    isStop: finished.cautions.some((caution) => caution.level === 'stop' && caution.steps.some((id) => wetting.includes(id))),
  }
}

function simulateSwelling(clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext, problems: Problem[]): Simulated | null {
  const draft = createDraft(clinicalCase, ctx, [])
  const girthCm = widestInside(clinicalCase, plan, draft)
  if (girthCm === null) return refuse(problems, 'measurements/calf-girth', 'No girth was measured: measure at least one, for the swelling.')
  const coverage = decisionInRole(plan, 'coverage')?.value
  const ways = compareOpenings(
    {
      girthCm,
      paddedGirthCm: paddedAt(draft, { girthCm }),
      growthMax: greatestGirthGrowth(clinicalCase, ctx.protocol),
      paddingLayers: clinicalCase.device?.paddingLayers ?? 2,
      isPaddingCut: plan.options['padding'] === 'cut',
      coverage: typeof coverage === 'number' ? Math.min(1, coverage) : 0.5,
    },
    ctx.protocol,
  )
  const closed = ways.find((way) => way.opening === 'closed')
  return { answer: { format: 'zesty-wren/swelling', version: 1, ways }, isStop: closed?.kPa.includes(null) === true }
}

/** The greatest girth inside of the device, estimated ones too, as `room` has it; of everything measured where a technique says nothing. */
function widestInside(clinicalCase: ClinicalCase, plan: Plan, draft: PlanDraft): number | null {
  const inside = findTechnique(clinicalCase.technique)?.girthsInside?.(clinicalCase, plan.options)
  const model = inside ? measureLeg(draft)?.model : null
  const girths =
    inside && model
      ? Object.values(model.stations).flatMap((station) => (inside.includes(`${station.id}-girth`) ? [station.girthCm] : []))
      : [...legGirths, ...armGirths].flatMap((definition) => draft.measure(definition)?.value ?? [])
  return girths.length > 0 ? Math.max(...girths) : null
}

function simulateRig(clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext, problems: Problem[]): Simulated | null {
  if (!hasRig(clinicalCase.technique)) {
    return refuse(problems, 'technique', `${clinicalCase.technique} has no rig: use a technique that hangs the limb.`)
  }
  const answer = describeRig(clinicalCase, plan, ctx)
  return answer && { answer, isStop: plan.cautions.some((caution) => caution.level === 'stop') || rigStops(clinicalCase, plan, ctx) }
}

function refuse(problems: Problem[], path: string, message: string): null {
  problems.push({ code: path === 'technique' ? 'format' : 'missing', path, message })
  return null
}
