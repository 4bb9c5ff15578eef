import { forecastWard, nursesToClear, orderWork, type DueTask } from '#core/rounds/ward-forecast'
import type { Level } from '#core/model/finding'
import type { BoardRow } from '#contract/api/board'
import { formatLate } from '../../parts/format-time'
import type { Tone } from '../../parts/tone-shape'
import { toneOf } from '../../parts/level-mark'

/** More people than this are on no ward. */
const mostPeople = 12
/** So far ahead work is looked for. */
export const horizonMin = 240

/** Owed work as the forecast takes it, with what is drawn of it. */
export interface HorizonTask extends DueTask {
  readonly what: string
  readonly tone: Tone
}

/** Owed work of all rows that falls due within the horizon, late work too; the earliest first. */
export function horizonTasks(rows: readonly BoardRow[], nowMs: number): readonly HorizonTask[] {
  return rows
    .flatMap((row) =>
      (row.ahead ?? []).map((work): HorizonTask => ({
        id: `${row.caseId}/${work.id}`,
        dueMin: (Date.parse(work.dueAt) - nowMs) / 60_000,
        graceMin: work.graceMin,
        takesMin: work.takesMin,
        level: levelOf(row.level),
        place: row.place,
        what: work.name,
        tone: row.level === null ? 'note' : toneOf(row.level),
      })),
    )
    .filter((task) => task.dueMin <= horizonMin)
    .sort((a, b) => a.dueMin - b.dueMin)
}

/** Whether it is past its grace. */
export function isLate({ dueMin, graceMin }: DueTask): boolean {
  return dueMin + graceMin < 0
}

/**
 * What to do about the hours ahead, as somebody in charge would say it: where to begin, with how many, and what can wait.
 * @param tasks of the horizon; one at least
 */
export function forecastAdvice(tasks: readonly HorizonTask[]): readonly string[] {
  const late = orderWork(tasks.filter(isLate)) as readonly HorizonTask[]
  const [first] = late
  const clears = nursesToClear(tasks, horizonMin, mostPeople)
  const quiet = late.filter((task) => task.level === 'none' || task.level === 'known').length
  return [
    ...(first
      ? [
          `${late.length} late now. Begin with ${first.place}: ${lowerFirst(first.what)}, ${formatLate(-first.dueMin)}${first.level === 'urgent' ? ', something urgent stands there' : ''}.`,
        ]
      : ['Nothing is late.']),
    clears === null
      ? `Not even ${mostPeople} people would be in time for the rest: ask for hands${quiet > 0 ? `, and leave what is late at quiet limbs (${quiet}) for last` : ''}.`
      : `${clears} ${clears === 1 ? 'person does' : 'people do'} in time all that can still be${withFewer(tasks, clears)}.`,
  ]
}

function withFewer(tasks: readonly HorizonTask[], clears: number): string {
  if (clears < 2) return ''
  const fewer = clears - 1
  const more = forecastWard(tasks, fewer, horizonMin).lateCount - forecastWard(tasks, clears, horizonMin).lateCount
  return more <= 0 ? '' : `; with ${fewer}, ${more} more ${more === 1 ? 'ends' : 'end'} late`
}

function lowerFirst(text: string): string {
  return `${text.charAt(0).toLowerCase()}${text.slice(1)}`
}

/** A level of what stands as the order of work knows it. */
function levelOf(level: BoardRow['level']): Level {
  if (level === 'urgent' || level === 'stop') return 'urgent'
  return level === 'review' || level === 'warn' || level === 'known' ? level : 'none'
}
