import { isPressing } from '#core/model/standing'
import type { Bed, DrillState } from '#core/practice/drill/drill-state'
import { checksOf } from '#core/practice/drill/bed-checks'
import { judgeBed, msOf, roundsOf, standBed } from '#core/practice/drill/judge-bed'
import { dueState } from '#core/rounds/due-state'
import { nextRound } from '#core/rounds/live-rounds'
import { taskMinuteDefaults } from '#core/rounds/task-minutes'
import { forecastWard, orderWork, type DueTask } from '#core/rounds/ward-forecast'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { HorizonRows, horizonScale, type HorizonMark } from '../../../parts/horizon-rows'
import { ToneShape } from '../../../parts/tone-shape'
import { formatDue } from '../../../parts/format-time'
import { toneOf } from '../../../parts/level-mark'
import { clockOf } from './clock-of-night'

const horizonMin = 240

/** The ward as it is on record: what stands in each bed, what is due, and what the next hours will bring with one person. */
export function DrillWard({ state, chosen, onChoose }: { state: DrillState; chosen: number; onChoose: (bed: number) => void }) {
  const minutes = readDefaults(taskMinuteDefaults, defaultProtocol)
  const tasks = state.beds.flatMap((bed): readonly DueTask[] => {
    const next = nextRound(roundsOf(state.night, bed.body, bed.record, defaultProtocol))
    const { level } = standBed(state.night, bed.body, bed.record)
    const place = String(bed.body.bed).padStart(2, '0')
    const inMin = (dueAt: number): number => (dueAt - msOf(state.night, state.atMin)) / 60_000
    return [
      ...(next
        ? [{ id: `${bed.body.bed} round`, dueMin: inMin(next.dueAt), graceMin: next.graceMin, takesMin: minutes.round, level, place }]
        : []),
      ...checksOf(state.night, bed.body, bed.record).map(({ id, kind, dueAt, graceMin }) => ({
        id: `${bed.body.bed} ${id}`,
        dueMin: inMin(dueAt),
        graceMin,
        takesMin: minutes[kind],
        level,
        place,
      })),
    ]
  })
  const first = orderWork(tasks.filter((task) => task.dueMin <= 10 || task.level === 'urgent'))[0]
  const nowMs = msOf(state.night, state.atMin)
  const markOf = (task: DueTask): HorizonMark => ({
    id: task.id,
    atMs: nowMs + task.dueMin * 60_000,
    isLate: dueState(task.dueMin, task.graceMin) === 'overdue',
    tone: toneOf(task.level),
  })
  const { lateCount } = forecastWard(tasks, 1, horizonMin)
  return (
    <section aria-label="Ward" className="grid gap-2">
      <HorizonRows
        rows={[{ name: `${tasks.length} owed`, marks: tasks.filter((task) => task.dueMin <= horizonMin).map(markOf) }]}
        scale={horizonScale(nowMs, horizonMin)}
        formatHour={(ms) => clockOf(state, (ms - msOf(state.night, 0)) / 60_000)}
      />
      <p className="text-soft">
        Next 4 h, one person: <strong className={lateCount > 0 ? 'text-stop' : 'text-calm'}>{lateCount} late</strong>. You stand{' '}
        {state.where === 0 ? 'at the desk' : `at bed ${state.where}`}.
      </p>
      <ul className="grid gap-1.5 sm:grid-cols-2">
        {state.beds.map((bed) => (
          <li key={bed.body.bed}>
            <BedCard
              state={state}
              bed={bed}
              task={earliestOf(tasks, bed.body.bed)}
              isFirst={first !== undefined && bedOf(first) === bed.body.bed}
              isChosen={bed.body.bed === chosen}
              onChoose={() => onChoose(bed.body.bed)}
            />
          </li>
        ))}
      </ul>
    </section>
  )
}

const bedOf = ({ id }: DueTask): number => Number(id.split(' ')[0])

/** What a bed is owed first. */
function earliestOf(tasks: readonly DueTask[], bed: number): DueTask | null {
  return tasks.filter((task) => bedOf(task) === bed).sort((a, b) => a.dueMin - b.dueMin)[0] ?? null
}

function BedCard({
  state,
  bed,
  task,
  isFirst,
  isChosen,
  onChoose,
}: {
  state: DrillState
  bed: Bed
  task: DueTask | null
  isFirst: boolean
  isChosen: boolean
  onChoose: () => void
}) {
  const standing = judgeBed(state.night, bed.body, bed.record)
  const worst = standing.items.find(isPressing)
  const tone = toneOf(standing.level)
  const due = task ? Math.round(task.dueMin) : null
  const isOverdue = task !== null && dueState(task.dueMin, task.graceMin) === 'overdue'
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      onClick={onChoose}
      className={`grid min-h-16 w-full content-start gap-0.5 rounded-2xl border-[1.5px] bg-sheet px-3 py-2 text-left ${isChosen ? 'border-ink outline-2 outline-ink' : 'border-line'}`}
    >
      <span className="flex items-center gap-2">
        <ToneShape tone={tone} />
        <strong>Bed {bed.body.bed}</strong>
        {isFirst ? <span className="rounded-full bg-citrus px-2 text-sm font-bold text-on-citrus">next</span> : null}
        <span className={`numeral ml-auto ${isOverdue ? 'font-bold text-stop' : 'text-soft'}`}>
          {task?.id.endsWith(' round') === false ? 'check ' : ''}
          {due === null ? '' : formatDue(-due)}
        </span>
      </span>
      <span className="text-sm text-soft">{bed.body.words}</span>
      {worst ? <span className="text-sm font-semibold">{worst.text}</span> : null}
    </button>
  )
}
