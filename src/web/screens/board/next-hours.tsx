import { useMemo } from 'react'
import { forecastWard, nursesToClear, type DueTask } from '#core/rounds/ward-forecast'
import type { Level } from '#core/model/finding'
import type { BoardRow } from '#contract/views/board'
import { knownAreas } from '../../case/places'
import { isAtPlace } from '#contract/views/at-place'

const hours = 4
const horizonMin = hours * 60
const crews = [1, 2, 3, 4] as const

/** What falls due in the next four hours, by place, and how much of it ends late with how many people. */
export function NextHours({ rows, now }: { rows: readonly BoardRow[]; now: number }) {
  const minute = Math.floor(now / 60_000)
  const tasks = useMemo(() => tasksOf(rows, minute * 60_000), [rows, minute])
  const late = crews.map((crew) => forecastWard(tasks, crew, horizonMin).lateCount)
  const clears = nursesToClear(tasks, horizonMin)
  if (tasks.length === 0) return <p className="text-soft">Nothing falls due in the next {hours} hours.</p>
  return (
    <div className="grid gap-3">
      <ul className="flex flex-wrap gap-x-6 gap-y-1" aria-label="Late with so many people">
        {crews.map((crew, index) => (
          <li key={crew}>
            {crew} {crew === 1 ? 'person' : 'people'}:{' '}
            <strong className={late[index] ? 'text-stop' : 'text-calm'}>{late[index]} late</strong>
          </li>
        ))}
      </ul>
      <p className="font-semibold">
        {clears === null
          ? 'More than twelve people would be needed for nothing to end late: put off what can wait.'
          : `${clears} ${clears === 1 ? 'person does' : 'people do'} all that can still be in time.`}
      </p>
      <div className="grid gap-1.5">
        {knownAreas(rows).map((area) => (
          <Strip key={area} area={area} tasks={tasks.filter((task) => isAtPlace(task.place, area))} />
        ))}
        <p className="ml-32 flex justify-between text-[0.8rem] text-soft" aria-hidden>
          {Array.from({ length: hours + 1 }, (_, hour) => (
            <span key={hour}>{hour === 0 ? 'now' : `+${hour} h`}</span>
          ))}
        </p>
      </div>
    </div>
  )
}

function Strip({ area, tasks }: { area: string; tasks: readonly DueTask[] }) {
  if (tasks.length === 0) return null
  return (
    <div className="flex items-center gap-2">
      <span className="w-30 shrink-0 truncate text-sm font-semibold">{area}</span>
      <span className="relative h-6 flex-1 rounded bg-well" role="img" aria-label={`${area}: ${tasks.length} due`}>
        {tasks.map((task) => (
          <span
            key={task.id}
            className={`absolute inset-y-1 w-1.5 rounded-sm ${task.dueMin + task.graceMin < 0 ? 'bg-stop' : 'bg-ink'}`}
            style={{ left: `${(Math.min(horizonMin, Math.max(0, task.dueMin)) / horizonMin) * 99}%` }}
          />
        ))}
      </span>
      <span className="numeral w-8 text-right text-sm">{tasks.length}</span>
    </div>
  )
}

/** Owed work of all rows as the forecast takes it. */
function tasksOf(rows: readonly BoardRow[], nowMs: number): readonly DueTask[] {
  return rows
    .flatMap((row) =>
      (row.ahead ?? []).map((one): DueTask => ({
        id: `${row.caseId}/${one.id}`,
        dueMin: (Date.parse(one.dueAt) - nowMs) / 60_000,
        graceMin: one.graceMin,
        takesMin: one.takesMin,
        level: levelOf(row.level),
        place: row.place,
      })),
    )
    .filter((one) => one.dueMin <= horizonMin)
}

/** A level of what stands as the order of work knows it. */
function levelOf(level: BoardRow['level']): Level {
  if (level === 'urgent' || level === 'stop') return 'urgent'
  return level === 'review' || level === 'warn' || level === 'known' ? level : 'none'
}
