import type { RollRun } from '../model/roll-run'
import type { Step } from '../model/step'
import type { StepLine } from '../model/step-line'
import { judgeScene, type SceneQuestion } from './judge-scene'
import { leastPeople } from './least-people'

/** A scene with one thing taken out of it. */
export interface SceneMutant {
  readonly words: string
  readonly question: SceneQuestion
}

/** What the judge does not notice: its faults and the least people are the same as of the whole scene. */
export function unnoticed(question: SceneQuestion): readonly string[] {
  const whole = faultsOf(question)
  return mutantsOf(question)
    .filter((mutant) => faultsOf(mutant.question) === whole)
    .map(({ words }) => words)
}

function faultsOf(question: SceneQuestion): string {
  return JSON.stringify([judgeScene(question), leastPeople(question.plan.procedure.steps)])
}

/** The scene without each hold, grip change, release, laid-out thing, turn, layer and pass, one at a time. */
export function mutantsOf(question: SceneQuestion): readonly SceneMutant[] {
  const { steps } = question.plan.procedure
  return [
    ...steps.flatMap((step) => (step.lines ?? []).flatMap((line) => lineMutants(question, step, line))),
    ...steps.flatMap((step) =>
      (step.fits ?? []).map((id) => ({
        words: `${step.id}: ${id} is not asked`,
        question: withStep(question, { ...step, fits: step.fits?.filter((one) => one !== id) ?? [] }),
      })),
    ),
    ...rollMutants(question),
  ]
}

function lineMutants(question: SceneQuestion, step: Step, line: StepLine): readonly SceneMutant[] {
  const name = `${step.id}/${line.id}`
  const made = (words: string, changed: StepLine): SceneMutant => ({
    words: `${name}: ${words}`,
    question: withLine(question, step, changed),
  })
  const { takes, gives, uses, moves, needs, ...rest } = line
  return [
    ...(takes ? [made(`${takes.join(', ')} not taken`, { ...line, takes: [] })] : []),
    ...(gives ?? []).map((one) => made(`${one.what} not given`, { ...line, gives: gives?.filter((other) => other !== one) ?? [] })),
    ...(line.act === 'fetch' ? (uses ?? []) : []).map((one) =>
      made(`${one} left out`, { ...line, uses: uses?.filter((other) => other !== one) ?? [] }),
    ),
    ...(moves ? [made(`not moved`, { ...rest, ...(takes ? { takes } : {}), ...(gives ? { gives } : {}), ...(uses ? { uses } : {}) })] : []),
    ...(needs !== undefined && needs > 1 ? [made(`needs one more`, { ...line, needs: needs + 8 })] : []),
  ]
}

/** A pass so short ends within the width of the one beside it, cm. */
const slightCm = 6

function rollMutants(question: SceneQuestion): readonly SceneMutant[] {
  const rolls = question.plan.rolls ?? []
  const isSlight = (run: RollRun): boolean => run.turnsAt.length === 0 && Math.abs(run.toCm - run.fromCm) < slightCm
  return rolls.flatMap((run, index) =>
    isSlight(run)
      ? []
      : [
          {
            words:
              run.turnsAt.length > 0
                ? `${run.id}: no turns at the ${run.turnsAt[0]?.station}`
                : `${run.id}: the pass from ${run.fromCm.toFixed(0)} to ${run.toCm.toFixed(0)} cm`,
            question: { ...question, plan: { ...question.plan, rolls: rolls.filter((_, at) => at !== index) } },
          },
        ],
  )
}

function withLine(question: SceneQuestion, step: Step, line: StepLine): SceneQuestion {
  return withStep(question, { ...step, lines: (step.lines ?? []).map((one) => (one.id === line.id ? line : one)) })
}

function withStep(question: SceneQuestion, step: Step): SceneQuestion {
  const steps = question.plan.procedure.steps.map((one) => (one.id === step.id ? step : one))
  return { ...question, plan: { ...question.plan, procedure: { steps } } }
}
