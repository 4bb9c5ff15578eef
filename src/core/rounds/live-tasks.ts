import type { ScheduleEntry, ScheduleKind } from '../model/plan'

/** Work owed beside rounds. */
export type TaskKind = Exclude<ScheduleKind, 'round'>

/** Entries of a schedule that are the same work again and again, or once. */
export interface TaskSeries {
  readonly id: string
  readonly kind: TaskKind
  readonly text: string
  /** Ascending, minutes from application. */
  readonly dueMin: readonly number[]
  readonly graceMin: number
}

/** The next occurrence of one kind of work. */
export interface LiveTask {
  readonly id: string
  readonly kind: TaskKind
  readonly text: string
  /** Milliseconds since the epoch. */
  readonly dueAt: number
  readonly graceMin: number
  /** How often it comes; null where it comes once. */
  readonly everyMin: number | null
  /** ISO 8601; null where it has not been done yet. */
  readonly lastDoneAt: string | null
}

/**
 * The work of a schedule by kind and words: entries that say the same are occurrences of one task, whose id is that of the first without
 * its number. Rounds are left out: their list is worked out live.
 */
export function tasksOf(schedule: readonly ScheduleEntry[]): readonly TaskSeries[] {
  const series = new Map<string, TaskSeries>()
  for (const entry of [...schedule].sort((a, b) => a.dueMin - b.dueMin)) {
    if (entry.kind === 'round') continue
    const key = `${entry.kind}|${entry.text}`
    const known = series.get(key)
    if (known) {
      if (entry.dueMin > known.dueMin.at(-1)!) series.set(key, { ...known, dueMin: [...known.dueMin, entry.dueMin] })
    } else
      series.set(key, {
        id: entry.id.replace(/-\d+$/, ''),
        kind: entry.kind,
        text: entry.text,
        dueMin: [entry.dueMin],
        graceMin: entry.graceMin,
      })
  }
  return [...series.values()]
}

/**
 * What of a schedule is owed next, the earliest first. As with rounds, doing it ticks off what was due up to half an interval later, and
 * the next is due at the earlier of the list's time and the last one's plus the interval. What comes again goes on at its last interval
 * for as long as the device is on; what comes once is gone when it was done.
 * @param startedAt ISO 8601: the application
 * @param done what was done, in any order
 */
export function liveTasks(
  schedule: readonly ScheduleEntry[],
  startedAt: string,
  done: readonly { readonly taskId: string; readonly at: string }[],
): readonly LiveTask[] {
  const start = Date.parse(startedAt)
  return tasksOf(schedule)
    .flatMap((series): LiveTask[] => {
      const last = done
        .filter((one) => one.taskId === series.id)
        .reduce<string | null>((latest, { at }) => (latest === null || Date.parse(at) > Date.parse(latest) ? at : latest), null)
      const dueMs = nextDueMs(series, start, last === null ? null : Date.parse(last))
      if (dueMs === null) return []
      const { id, kind, text, graceMin } = series
      return [{ id, kind, text, dueAt: dueMs, graceMin, everyMin: intervalOf(series), lastDoneAt: last }]
    })
    .sort((a, b) => a.dueAt - b.dueAt)
}

/** Minutes between the last two of what comes again; null where it comes once. */
function intervalOf({ dueMin }: TaskSeries): number | null {
  const [before, last] = dueMin.slice(-2)
  return before === undefined || last === undefined ? null : last - before
}

function nextDueMs(series: TaskSeries, startMs: number, lastMs: number | null): number | null {
  const everyMin = intervalOf(series)
  if (lastMs !== null && everyMin === null) return null
  const atMs = (minute: number): number => startMs + minute * 60_000
  let before = 0
  for (let index = 0; ; index++) {
    const due = series.dueMin[index] ?? before + (everyMin ?? 0)
    const gapMin = due - before
    if (lastMs === null) return atMs(due)
    if (lastMs < atMs(due) - (gapMin / 2) * 60_000) return Math.min(atMs(due), lastMs + gapMin * 60_000)
    before = due
  }
}
