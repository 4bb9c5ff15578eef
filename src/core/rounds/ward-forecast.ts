import { levels, type Level } from '../model/finding'

/** One task that is due on a ward: a round, a care, an opening. */
export interface DueTask {
  readonly id: string
  /** Minutes from now until it is due; negative when it is late already. */
  readonly dueMin: number
  readonly graceMin: number
  /** Likely minutes of work. */
  readonly takesMin: number
  readonly level: Level
  readonly place: string
}

export interface ForecastTask extends DueTask {
  /** When a nurse can begin and end it, minutes from now; null when it does not begin within the horizon. */
  readonly startMin: number | null
  readonly endMin: number | null
  /** Ends after its grace. */
  readonly isLate: boolean
}

export interface WardForecast {
  readonly nurses: number
  readonly tasks: readonly ForecastTask[]
  readonly lateCount: number
}

/**
 * Due work in the order in which it should be done: worst level, then most late, then place.
 * @returns the same tasks, ordered
 */
export function orderWork(tasks: readonly DueTask[]): readonly DueTask[] {
  return [...tasks].sort(
    (a, b) =>
      levels.indexOf(b.level) - levels.indexOf(a.level) ||
      a.dueMin - b.dueMin ||
      a.place.localeCompare(b.place) ||
      a.id.localeCompare(b.id),
  )
}

/**
 * Forecasts which tasks end late with k nurses, earliest deadline first, each nurse one task at a time, nobody starting
 * before a task is due less its grace.
 * @param horizonMin minutes looked ahead; 240 in the ward's plan
 * @param nurses k, 1 or more
 */
export function forecastWard(tasks: readonly DueTask[], nurses: number, horizonMin: number): WardForecast {
  const free = new Float64Array(Math.max(1, Math.floor(nurses)))
  const byDeadline = tasks
    .filter((task) => task.dueMin <= horizonMin)
    .sort(
      (a, b) =>
        a.dueMin + a.graceMin - (b.dueMin + b.graceMin) || levels.indexOf(b.level) - levels.indexOf(a.level) || a.id.localeCompare(b.id),
    )
  const planned = byDeadline.map((task): ForecastTask => {
    let nurse = 0
    for (let index = 1; index < free.length; index++) if (free[index]! < free[nurse]!) nurse = index
    const startMin = Math.max(free[nurse]!, task.dueMin - task.graceMin, 0)
    const endMin = startMin + task.takesMin
    if (startMin > horizonMin) return { ...task, startMin: null, endMin: null, isLate: true }
    free[nurse] = endMin
    return { ...task, startMin, endMin, isLate: endMin > task.dueMin + task.graceMin + 1e-9 }
  })
  return { nurses: free.length, tasks: planned, lateCount: planned.filter((task) => task.isLate).length }
}

/**
 * The fewest nurses with whom nothing that is not late already ends late, up to `most`.
 * @returns null when even `most` do not clear it
 */
export function nursesToClear(tasks: readonly DueTask[], horizonMin: number, most = 12): number | null {
  const isHopeless = (task: DueTask): boolean => task.takesMin > task.dueMin + task.graceMin
  const savable = new Set(tasks.filter((task) => !isHopeless(task)).map((task) => task.id))
  for (let nurses = 1; nurses <= most; nurses++) {
    if (!forecastWard(tasks, nurses, horizonMin).tasks.some((task) => task.isLate && savable.has(task.id))) return nurses
  }
  return null
}
