import { useMemo, useState } from 'react'
import type { BoardRow } from '#contract/api/board'
import { formatClock } from '../../parts/format-time'
import { HorizonRows, horizonScale, type HorizonMark } from '../../parts/horizon-rows'
import { forecastAdvice, horizonMin, horizonTasks, isLate, type HorizonTask } from './horizon-tasks'

/** The next four hours as a horizon: the tape is drawn out up to now, owed work stands ahead of it, and what is late piles up at its left. */
export function Horizon({ rows, now }: { rows: readonly BoardRow[]; now: number }) {
  const minute = Math.floor(now / 60_000)
  const nowMs = minute * 60_000
  const tasks = useMemo(() => horizonTasks(rows, nowMs), [rows, nowMs])
  const advice = useMemo(() => (tasks.length === 0 ? [] : forecastAdvice(tasks)), [tasks])
  const [isByBed, setByBed] = useState(false)
  if (tasks.length === 0) return null
  const beds = [...new Set(tasks.map((task) => task.place))]
  const marksOf = (of: readonly HorizonTask[]): readonly HorizonMark[] =>
    of.map((task) => ({ id: task.id, atMs: nowMs + task.dueMin * 60_000, isLate: isLate(task), tone: task.tone }))
  const lines = isByBed
    ? beds.map((bed) => ({ name: bed, marks: marksOf(tasks.filter((task) => task.place === bed)) }))
    : [{ name: `${tasks.length} owed`, marks: marksOf(tasks) }]
  return (
    <section
      aria-labelledby="horizon"
      className="mb-4 grid grid-cols-[minmax(0,1fr)] gap-1.5 overflow-hidden rounded-2xl border border-line bg-sheet px-3 pt-2 pb-2.5"
    >
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 id="horizon" className="font-bold">
          Next four hours
        </h2>
        <p className="min-w-0 flex-1 basis-52 text-[0.95rem] max-lg:order-last max-lg:basis-full">
          {advice.map((line) => (
            <span key={line} className="mr-2">
              {line}
            </span>
          ))}
        </p>
        <button
          type="button"
          aria-expanded={isByBed}
          onClick={() => setByBed(!isByBed)}
          className="min-h-11 font-semibold underline decoration-2 underline-offset-4"
        >
          {isByBed ? 'All in one' : `By bed, ${beds.length}`}
        </button>
      </div>
      <HorizonRows rows={lines} scale={horizonScale(nowMs, horizonMin)} formatHour={formatClock} />
    </section>
  )
}
