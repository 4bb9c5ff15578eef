import { catalogue } from '#core/catalogue/catalogue'
import { judgeCheck } from '#core/files/judge-check'
import { readCase } from '#core/files/read-case'
import { readCheck } from '#core/files/read-check'
import type { RoundInput } from '#core/model/observation'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import { solveSlowTask } from '#core/planner/solve-slow-task'
import { defaultProtocol } from '#core/quantities/defaults'
import { describeRig, hasRig } from '#core/techniques/families/traction/describe-rig'
import { finishPlan } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'

/** What the program makes of one published case: every answer that a machine could get wrong, by name. */
export type Worked = Readonly<Record<string, unknown>>

/** At a fixed moment, with a fixed seed: the same case comes to the same on every machine. */
function contextOf(): PlanContext {
  return { catalogue, protocol: defaultProtocol, seed: 1, now: '2026-01-10T08:00:00.000Z', zone: 'UTC', memo: createMemo() }
}

/** The plan of a case, whole: figures, materials, cautions, steps, schedule; what it heats to and how its rig hangs. */
export function workCase(file: unknown): Worked {
  const read = readCase(file)
  if (!read.clinicalCase) throw new Error('it is no case file')
  const ctx = contextOf()
  const first = planCase(read.clinicalCase, ctx, read.problems)
  if (!first) throw new Error(`there is no technique ${read.clinicalCase.technique}`)
  const heat = first.pending.find((task) => task.decision === 'peak-skin-temp')
  const solved = heat && solveSlowTask(heat, ctx.memo)
  const plan = finishPlan(first, ctx, read.clinicalCase.overrules)
  return {
    figures: Object.fromEntries(plan.decisions.map(({ id, value }) => [id, value])),
    materials: plan.materials.map(({ id, pieces, rolls, lengthCm }) => [id, pieces ?? rolls, lengthCm]),
    cautions: plan.cautions.map(({ level, code }) => `${level} ${code}`),
    steps: plan.procedure.steps.map(({ id, minutes }) => [id, ...minutes]),
    schedule: plan.schedule.map(({ id, dueMin, graceMin }) => [id, dueMin, graceMin]),
    ...(solved?.decision === 'peak-skin-temp'
      ? { heat: [solved.result.peakC, solved.result.peakMin, solved.result.minutesAbove44, solved.result.omega] }
      : {}),
    ...(hasRig(read.clinicalCase.technique) ? { rig: describeRig(read.clinicalCase, plan, ctx) } : {}),
  }
}

/** What the program says to rounds of a case: level, what stands, what to do. */
export function judgeRounds(file: unknown, rounds: readonly RoundInput[]): Worked {
  const read = readCheck({ format: 'zesty-wren/check', version: 1, case: file, rounds })
  const unread = read.problems.filter((problem) => problem.path.startsWith('rounds'))
  if (unread.length > 0) throw new Error(unread.map((problem) => problem.message).join(' '))
  const judged = judgeCheck(read)
  if (!judged) throw new Error('it is no check file')
  return {
    rounds: judged.map(({ level, complete, standing, actions, againMin }) => ({
      level,
      complete,
      stands: standing.map((item) => `${item.id} ${item.level} since ${item.since}`),
      actions,
      againMin,
    })),
  }
}
