import { readCase } from '#core/files/read-case'
import { readProtocol } from '#core/files/read-protocol'
import type { Protocol } from '#core/quantities/defaults'
import type { Problem } from '#core/model/problem'
import type { PlanContext } from '#core/model/plan-context'
import { guardsLoosened } from '#core/protocols/guards-loosened'
import { finishPlan } from '#core/techniques/finish-plan'
import { planExit, type Plan } from '#core/model/plan'
import { unusedReadings } from '#core/techniques/unused-readings'
import { planCase } from '#core/techniques/plan-case'
import { createCliContext } from './context'
import { planText } from './plan-text'
import { problemLine, readInput } from './read-input'

interface Planned {
  readonly exit: 0 | 2 | 3
  readonly plan: Plan | null
  readonly problems: readonly Problem[]
}

/** The protocol of a file; null where it has faults, which are written out. */
export function readProtocolFile(file: string): Protocol | null {
  const input = readInput(file)
  const { protocol, problems } = 'problem' in input ? { protocol: null, problems: [input.problem] } : readProtocol(input.data)
  problems.forEach((problem) => process.stderr.write(problemLine(problem)))
  return problems.length > 0 ? null : protocol
}

/**
 * Plans case files: one prints its plan; several print one line of JSON each, in order.
 * @param protocol a local one; the shipped one where it is left out. One that is looser than shipped is named on standard error, and no exit
 *   status is milder than by the shipped figures
 * @returns the greatest exit status: 3 a stop, 2 problems, 0
 */
export function runPlan(files: readonly string[], format: 'json' | 'text', protocol?: Protocol): number {
  const ctx = createCliContext(protocol)
  const loosened = protocol ? guardsLoosened(protocol) : []
  if (loosened.length > 0) process.stderr.write(`looser than shipped: ${loosened.join('; ')}\n`)
  let exit = 0
  for (const file of files) {
    const own = planFile(file, ctx)
    const shipped = loosened.length > 0 ? planFile(file, createCliContext()).exit : 0
    const planned: Planned = { ...own, exit: shipped > own.exit ? shipped : own.exit }
    exit = Math.max(exit, planned.exit)
    planned.problems.forEach((problem) => process.stderr.write(problemLine(problem)))
    process.stdout.write(printed(file, planned, format, files.length > 1))
  }
  return exit
}

function planFile(file: string, ctx: PlanContext): Planned {
  const input = readInput(file)
  if ('problem' in input) return { exit: 2, plan: null, problems: [input.problem] }
  const { clinicalCase, problems: readProblems } = readCase(input.data)
  const problems = [...readProblems, ...(clinicalCase ? unusedReadings(clinicalCase, ctx) : [])]
  const started = clinicalCase && planCase(clinicalCase, ctx, problems)
  if (!clinicalCase || !started) return { exit: 2, plan: null, problems }
  const plan = finishPlan(started, ctx, clinicalCase.overrules)
  return { exit: planExit(plan), plan, problems: plan.problems }
}

function printed(file: string, planned: Planned, format: 'json' | 'text', isOneOfMany: boolean): string {
  if (format === 'text') {
    const text = planned.plan ? planText(planned.plan) : 'No plan.\n'
    return isOneOfMany ? `== ${file} (exit ${planned.exit})\n${text}\n` : text
  }
  if (isOneOfMany) return `${JSON.stringify({ file, exit: planned.exit, plan: planned.plan, problems: planned.problems })}\n`
  return planned.plan ? `${JSON.stringify(planned.plan, null, 2)}\n` : ''
}
