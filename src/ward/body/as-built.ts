import type { AsBuilt, BuiltPull, BuiltState, HeldNow } from '#contract/api/hand-over'
import { gripWords } from '#core/runs/grips'
import { heldAt } from '#core/runs/held-at'
import { plannedKg } from '#core/rounds/planned-weights'
import { taskFormOf } from '#core/rounds/task-form-of'
import { tasksOf } from '#core/rounds/live-tasks'
import { onRoles, type StepRole } from '#core/model/step-role'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { outcomesOf, type RunRecord } from '#contract/records/run'
import { countingRuns, isOpeningRun, kindOfRun } from '#contract/records/run-kind'
import { onSinceAt, putOnBy } from '../case/situation-of-case'
import { doneWithRole } from '../case/done-with-role'
import { isInHand, keptPlanOf } from '../case/work-in-hand'

/**
 * @param nowMs the server's time
 */
export function asBuilt(record: CaseRecord, episode: EpisodeRecord, nowMs: number): AsBuilt {
  const injury = episode.injuries[record.injuryId]
  const onSince = onSinceAt(record)
  return {
    technique: record.technique,
    device: findTechnique(record.technique)?.name ?? record.technique,
    region: injury?.region ?? null,
    side: injury?.side ?? null,
    state: stateOf(record, onSince),
    onSince,
    putOnBy: putOnBy(record),
    offAt: record.removedAt,
    isUnfinished: onSince !== null && record.appliedAt === null,
    // What is off pulls nothing, whatever was read before.
    pulls: record.removedAt === null && onSince !== null ? pullsOf(record) : [],
    held: heldNow(record, nowMs),
  }
}

function stateOf(record: CaseRecord, onSince: string | null): BuiltState {
  if (record.removedAt !== null) return 'off'
  if (onSince === null) return 'not-on'
  const opening = record.runs.findLast((run) => isOpeningRun(run) && lastDone(record, run, 'opens', 'eases') !== null)
  const closed = record.runs.findLast((run) => !isOpeningRun(run) && kindOfRun(run) !== 'taking-off')
  const openedMs = opening ? (lastDone(record, opening, 'opens', 'eases') ?? 0) : 0
  const closedMs = closed ? (lastDone(record, closed, ...onRoles) ?? 0) : 0
  if (opening && openedMs > closedMs) return lastDone(record, opening, 'opens') === null ? 'eased' : 'open'
  return record.appliedAt === null ? 'being-put-on' : 'on'
}

/** When a step of a run with one of some roles was done last, ms since the epoch, and not taken back; null where none was. */
function lastDone(record: CaseRecord, run: RunRecord, ...roles: readonly StepRole[]): number | null {
  const done = doneWithRole(record, run, ...roles)
  return done.length === 0 ? null : Math.max(...done.map(({ at }) => Date.parse(at)))
}

/** Every pull by its name, each as it was read last; one that was taken and never read as it was planned. */
function pullsOf(record: CaseRecord): readonly BuiltPull[] {
  const found = new Map<string, BuiltPull>()
  const put = (pull: BuiltPull): void => {
    const before = found.get(pull.label)
    if (!before || before.how === 'as planned' || Date.parse(pull.at) >= Date.parse(before.at)) found.set(pull.label, pull)
  }
  for (const run of countingRuns(record)) {
    const steps = keptPlanOf(record, run)?.procedure.steps ?? []
    const outcomes = outcomesOf(run)
    for (const step of steps) {
      const done = run.steps.findLast((one) => one.stepId === step.id && one.outcome === 'done')
      const planned = step.pull?.expectedKg ?? null
      if (step.pull && done && outcomes.get(step.id) === 'done' && planned !== null && !found.has(pullLabel))
        put({ label: pullLabel, kg: planned, at: done.at, by: done.by, how: 'as planned' })
    }
    for (const { kg, at, by, stepId } of run.pulls ?? []) {
      const isRelief = steps.find((step) => step.id === stepId)?.pull?.toRelief === true
      if (kg !== null) put({ label: pullLabel, kg, at, by, how: 'read', ...(isRelief ? { atRelief: true } : {}) })
    }
  }
  for (const weight of weightsRead(record)) put(weight)
  return [...found.values()].filter(({ kg }) => kg > 0)
}

const pullLabel = 'Pull'

/** Weights as rounds of the cords read them. */
function weightsRead(record: CaseRecord): readonly BuiltPull[] {
  const technique = findTechnique(record.technique)
  const { schedule = [], decisions = [] } = record.accepted?.plan ?? {}
  const kinds = new Map(tasksOf(schedule).map((task) => [task.id, task]))
  return (record.tasks ?? []).flatMap(({ taskId, answers, at, by }) => {
    const task = kinds.get(taskId)
    if (!task) return []
    return taskFormOf(technique, task).flatMap((ask): readonly BuiltPull[] => {
      const kg = answers[ask.id]
      const isWeight = ask.kind === 'figure' && plannedKg(ask, decisions) !== null && typeof kg === 'number'
      return isWeight ? [{ label: ask.planned === 'traction' ? pullLabel : ask.label, kg, at, by, how: 'read' }] : []
    })
  })
}

/** What hands hold while a run is in hand, at the step that comes next. */
function heldNow(record: CaseRecord, nowMs: number): readonly HeldNow[] {
  const run = record.runs.at(-1)
  const plan = run && keptPlanOf(record, run)
  if (!run || !plan || !isInHand(record, run, nowMs)) return []
  const { steps } = plan.procedure
  const outcomes = outcomesOf(run)
  const step = steps.find((one) => !outcomes.has(one.id))
  if (!step) return []
  return heldAt(steps, step)
    .filter((held) => steps.some(({ holds }) => holds?.what === held.what && outcomes.get(holds.from) === 'done'))
    .map(({ what, place }) => ({
      what,
      where: gripWords(place, plan.geometry.body),
      by: record.crew?.find((member) => member.place === place)?.name ?? '',
      asOf: run.steps.at(-1)?.at ?? run.startedAt,
    }))
}

/** How the device is, in words: "on since 07:10, its steps not finished", "off", "not on yet". @param at how a time is said */
export function builtWords(
  { state, onSince, isUnfinished }: Pick<AsBuilt, 'state' | 'onSince' | 'isUnfinished'>,
  at: (iso: string) => string,
): string {
  if (state === 'off') return 'off'
  if (onSince === null) return 'not on yet'
  const opened = { open: ', open', eased: ', eased' }[state as string] ?? ''
  return `on since ${at(onSince)}${opened}${isUnfinished ? ', its steps not finished' : ''}`
}

/** A pull in words: "pull 7 kg, where the pain eased". */
export function pullWords({ label, kg, how, atRelief }: BuiltPull): string {
  const read = how === 'as planned' ? ', as planned, not read' : atRelief ? ', where the pain eased' : ''
  return `${label.toLowerCase()} ${kg} kg${read}`
}
