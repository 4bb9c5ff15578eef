import { useMemo, useState } from 'react'
import type { BoardRow } from '#contract/views/board'
import { formatClock } from '../../parts/format-time'
import type { Tone } from '../../parts/tone-shape'
import { forecastAdvice, horizonMin, horizonTasks, isLate, type HorizonTask } from './horizon-tasks'

const hourMs = 3_600_000
/** So many late ones are piled up as marks; the number says the rest. */
const mostPiled = 16
const fills: Readonly<Record<Tone, string>> = {
  stop: 'bg-stop',
  caution: 'bg-caution',
  note: 'bg-ink',
  calm: 'bg-calm',
  known: 'bg-known',
  blank: 'bg-soft',
}

/** The next four hours as a horizon: the tape is drawn out up to now, owed work stands ahead of it, and what is late piles up at its left. */
export function Horizon({ rows, now }: { rows: readonly BoardRow[]; now: number }) {
  const minute = Math.floor(now / 60_000)
  const nowMs = minute * 60_000
  const tasks = useMemo(() => horizonTasks(rows, nowMs), [rows, nowMs])
  const advice = useMemo(() => (tasks.length === 0 ? [] : forecastAdvice(tasks)), [tasks])
  const [isByBed, setByBed] = useState(false)
  if (tasks.length === 0) return null
  const beds = [...new Set(tasks.map((task) => task.place))]
  const fromMs = Math.floor(nowMs / hourMs) * hourMs
  const toMs = fromMs + horizonMin * 60_000 + hourMs
  const hours = Array.from({ length: Math.round((toMs - fromMs) / hourMs) }, (_, hour) => fromMs + hour * hourMs)
  const scale = { nowMs, fromMs, toMs }
  return (
    <section
      aria-labelledby="horizon"
      className="mb-4 grid grid-cols-[minmax(0,1fr)] gap-1.5 overflow-hidden rounded-2xl border border-line bg-sheet px-3 pt-2 pb-2.5"
    >
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 id="horizon" className="font-bold">
          Next four hours
        </h2>
        <p className="min-w-0 flex-1 basis-52 text-[0.95rem]">
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
      <div className="grid gap-1">
        {isByBed ? (
          beds.map((bed) => <Row key={bed} name={bed} tasks={tasks.filter((task) => task.place === bed)} scale={scale} />)
        ) : (
          <Row name={`${tasks.length} owed`} tasks={tasks} scale={scale} />
        )}
        <div className="ml-[calc(6.5rem+4.75rem)] flex max-sm:ml-[calc(4.5rem+3.25rem)]" aria-hidden>
          {hours.map((atMs, index) => (
            <span key={atMs} className="min-w-0 flex-1 border-l-2 border-ink pl-1 text-[0.8125rem] text-soft">
              {/* On a phone every other hour has room for its name. */}
              <span className={index % 2 === 1 ? 'max-sm:hidden' : ''}>{formatClock(atMs)}</span>
            </span>
          ))}
        </div>
      </div>
    </section>
  )
}

interface Scale {
  readonly nowMs: number
  readonly fromMs: number
  readonly toMs: number
}

function Row({ name, tasks, scale: { nowMs, fromMs, toMs } }: { name: string; tasks: readonly HorizonTask[]; scale: Scale }) {
  const late = tasks.filter(isLate)
  const ahead = tasks.filter((task) => !isLate(task))
  const left = (ms: number): string => `${(100 * (Math.max(fromMs, ms) - fromMs)) / (toMs - fromMs)}%`
  const spoken = `${name}: ${late.length} late, ${ahead.length} ahead`
  return (
    <div role="img" aria-label={spoken} className="flex items-stretch gap-1">
      <span className="w-25 shrink-0 self-center truncate text-sm font-semibold max-sm:w-17">{name}</span>
      <span className="flex w-18 shrink-0 flex-wrap content-center justify-end gap-0.5 border-r-2 border-ink pr-1 max-sm:w-12">
        {late.slice(0, mostPiled).map((task) => (
          <span key={task.id} className="h-2.5 w-1.5 rounded-[2px] bg-stop" />
        ))}
        {late.length > 0 ? <span className="numeral ml-1 text-sm leading-none font-bold text-stop">{late.length}</span> : null}
      </span>
      <span className="relative h-8 min-w-0 flex-1 overflow-hidden rounded-r-lg bg-well">
        <span className="absolute inset-y-0 left-0 bg-citrus" style={{ width: left(nowMs) }} />
        <span className="absolute inset-y-0 w-0.5 bg-ink" style={{ left: left(nowMs) }} />
        {ahead.map((task) => (
          <span
            key={task.id}
            className={`absolute inset-y-1.5 w-1.5 rounded-[2px] ring-1 ring-sheet ${fills[task.tone]}`}
            style={{ left: left(nowMs + task.dueMin * 60_000) }}
          />
        ))}
      </span>
    </div>
  )
}
