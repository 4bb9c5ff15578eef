import { nextRound } from '#core/rounds/live-rounds'
import { byDay } from '#core/rounds/by-day'
import { liveTasks, tasksOf, type TaskKind } from '#core/rounds/live-tasks'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { isEnded } from '#contract/records/task'
import { caseRounds } from './case-progress'
import { taskFindings } from '../rounds/task-findings'

/** Something that is owed to a patient with a device on. */
export interface OwedWork {
  /** `round`, the schedule's id of the work, or the id of what a person added. */
  readonly id: string
  readonly kind: 'round' | TaskKind | 'added'
  /** What it is called beside its time. */
  readonly name: string
  /** What is to be done. */
  readonly text: string
  /** Milliseconds since the epoch. */
  readonly dueAt: number
  readonly graceMin: number
  readonly lastDoneAt: string | null
}

const names: Readonly<Record<TaskKind, string>> = {
  care: 'Care',
  weights: 'Weights',
  opening: 'Opening',
  review: 'Review',
  convert: 'Change of splint',
  remove: 'Off',
}
const addedGraceMin = 30
const dayMin = 1440
const homeGraceMin = 240
/** The id of the call the day after a patient went home with it on. */
export const homeCheckId = 'home-check'

/**
 * Everything owed on a case, the earliest first: its next round, the next of each kind of work that the plan in force schedules, and what
 * people wrote down. Watch, Board and what stands read this one list. Nothing before the application; after removal the round alone, for
 * as long as somebody asks; once the case has ended here, the call at home or nothing.
 * @param nowMs the server's time
 */
export function workOwed(record: CaseRecord, episode: EpisodeRecord, nowMs: number): readonly OwedWork[] {
  if (!record.appliedAt) return []
  if (record.ended) return homeCheck(record, record.ended)
  // What was owed here is owed where its device was changed for another.
  if (record.replacedBy !== undefined) return []
  const round = nextRound(caseRounds(record, episode, nowMs))
  const rounds: readonly OwedWork[] = round
    ? [{ id: 'round', kind: 'round', name: 'Round', text: 'Round', dueAt: round.dueAt, graceMin: round.graceMin, lastDoneAt: null }]
    : []
  if (record.removedAt !== null) return rounds
  const done = (record.tasks ?? []).filter((task) => isEnded(task.outcome))
  const scheduled = liveTasks(record.accepted?.plan.schedule ?? [], record.appliedAt, done)
    // A cast is opened in its own way, and says itself when it was.
    .filter((task) => task.kind !== 'opening' || record.openedUpAt === undefined)
    .map(({ id, kind, text, dueAt, graceMin, lastDoneAt }): OwedWork => ({
      id,
      kind,
      name: names[kind],
      text,
      dueAt: kind === 'review' ? byDay(dueAt, episode.zone) : dueAt,
      graceMin,
      lastDoneAt,
    }))
  const added = (record.addedTasks ?? [])
    .filter((task) => !done.some((one) => one.taskId === task.id))
    .map(({ id, text, dueAt, who }): OwedWork => ({
      id,
      kind: 'added',
      name: text,
      text: who ? `${text} (${who})` : text,
      dueAt: Date.parse(dueAt),
      graceMin: addedGraceMin,
      lastDoneAt: null,
    }))
  return [...rounds, ...withLooksAgain(record, scheduled), ...added].sort((a, b) => a.dueAt - b.dueAt)
}

const againGraceMin = 5

/** Work whose last look found a pull lost, or a weight off its plan, is due again in minutes, also where it comes once. */
function withLooksAgain(record: CaseRecord, scheduled: readonly OwedWork[]): readonly OwedWork[] {
  const again = new Map(
    taskFindings(record).flatMap(({ taskId, againMin, at }) => (againMin === null ? [] : [[taskId, { againMin, at }] as const])),
  )
  const series = tasksOf(record.accepted?.plan.schedule ?? [])
  const sooner = [...again].flatMap(([id, { againMin, at }]): OwedWork[] => {
    const task = series.find((one) => one.id === id)
    if (!task) return []
    const dueAt = Date.parse(at) + againMin * 60_000
    return [{ id, kind: task.kind, name: names[task.kind], text: task.text, dueAt, graceMin: againGraceMin, lastDoneAt: at }]
  })
  const isSooner = (work: OwedWork): boolean => sooner.some((each) => each.id === work.id && each.dueAt <= work.dueAt)
  return [
    ...scheduled.filter((work) => !isSooner(work)),
    ...sooner.filter((work) => !scheduled.some((each) => each.id === work.id && each.dueAt < work.dueAt)),
  ]
}

/** Whoever went home with it on is called the next day; whoever is gone is owed nothing here. */
function homeCheck(record: CaseRecord, { how, at }: NonNullable<CaseRecord['ended']>): readonly OwedWork[] {
  const isDone = (record.tasks ?? []).some(
    (task) => task.taskId === homeCheckId && isEnded(task.outcome) && Date.parse(task.at) >= Date.parse(at),
  )
  if (how !== 'home' || isDone) return []
  return [
    {
      id: homeCheckId,
      kind: 'added',
      name: 'Call at home',
      text: 'Call at home: pain, toes or fingers, skin, sleep; is the number to call at hand?',
      dueAt: Date.parse(at) + dayMin * 60_000,
      graceMin: homeGraceMin,
      lastDoneAt: null,
    },
  ]
}
