import { createMemo } from '../../model/plan-context'
import type { ScheduleEntry } from '../../model/plan'
import { defaultProtocol, readDefaults, type Protocol } from '../../quantities/defaults'
import { liveTasks, tasksOf, type LiveTask } from '../../rounds/live-tasks'
import { taskMinuteDefaults } from '../../rounds/task-minutes'
import { planCase } from '../../techniques/plan-case'
import { stationContext } from '../stations/station-context'
import type { HiddenBody } from './draw-body'
import { msOf, type BedRecord } from './judge-bed'
import type { Night } from './nights'

/** Kinds of work beside rounds that a night nurse does: skin and ring, weights and cords. */
const nightly = ['care', 'weights'] as const
type Nightly = (typeof nightly)[number]
const isNightly = ({ kind }: { readonly kind: string }): boolean => nightly.some((one) => one === kind)

/** A check that a bed is owed. */
export interface BedCheck extends LiveTask {
  readonly kind: Nightly
  /** Minute of the night. */
  readonly dueMin: number
}

const planned = new WeakMap<HiddenBody, readonly ScheduleEntry[]>()

/** What the plan of a bed schedules beside rounds, by the built-in figures: the drill is the same wherever it is worked out. */
function scheduleOf(body: HiddenBody): readonly ScheduleEntry[] {
  const known = planned.get(body)
  if (known) return known
  const plan = planCase(body.clinicalCase, { ...stationContext, protocol: defaultProtocol, memo: createMemo() })
  const schedule = plan?.schedule.filter(isNightly) ?? []
  planned.set(body, schedule)
  return schedule
}

/** What of it the shift before did: everything that fell due before the night, at its time. */
export function checksBefore(body: HiddenBody): BedRecord['checks'] {
  return tasksOf(scheduleOf(body)).flatMap(({ id, dueMin }) => {
    const [before = 0, last = 0] = dueMin.slice(-2)
    // What comes again goes on at its last interval.
    const everyMin = dueMin.length > 1 ? last - before : Infinity
    const sinceLastMin = -body.onAtMin - last
    const later = sinceLastMin > 0 && everyMin < Infinity ? last + Math.floor(sinceLastMin / everyMin) * everyMin : last
    const done = [...dueMin, later].map((minute) => body.onAtMin + minute).findLast((atMin) => atMin < 0)
    return done === undefined ? [] : [{ taskId: id, atMin: done }]
  })
}

/** The next check of each kind that a bed is owed, the earliest first. */
export function checksOf(night: Night, body: HiddenBody, record: BedRecord): readonly BedCheck[] {
  const iso = (atMin: number): string => new Date(msOf(night, atMin)).toISOString()
  const done = record.checks.map(({ taskId, atMin }) => ({ taskId, at: iso(atMin) }))
  return liveTasks(scheduleOf(body), iso(body.onAtMin), done).map((task) => ({
    ...task,
    kind: task.kind as Nightly,
    dueMin: (task.dueAt - Date.parse(night.beginsAt)) / 60_000,
  }))
}

/** Somebody who is at the bed does what falls due so soon along with what is due, min. */
const alongMin = 30

/** What is done when a bed is checked now: what is due or nearly so; where nothing is, the next. */
export function checksNow(night: Night, body: HiddenBody, record: BedRecord, atMin: number): readonly BedCheck[] {
  const owed = checksOf(night, body, record)
  const due = owed.filter((check) => check.dueMin <= atMin + alongMin)
  return due.length > 0 ? due : owed.slice(0, 1)
}

/** Minutes that checks take at the bed. */
export function checkMinutes(checks: readonly BedCheck[], protocol: Protocol): number {
  const minutes = readDefaults(taskMinuteDefaults, protocol)
  return checks.reduce((sum, { kind }) => sum + minutes[kind], 0)
}
