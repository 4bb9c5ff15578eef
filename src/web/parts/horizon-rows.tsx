import type { Tone } from './tone-shape'

/** A piece of owed work on a horizon. */
export interface HorizonMark {
  readonly id: string
  /** When it is due, ms. */
  readonly atMs: number
  /** Past its grace: it is piled up at the left. */
  readonly isLate: boolean
  readonly tone: Tone
}

/** What a horizon is drawn to: from the full hour before now on. */
export interface HorizonScale {
  readonly nowMs: number
  readonly fromMs: number
  readonly toMs: number
}

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

/** The hours from the full one before now, as far as is looked ahead. */
export function horizonScale(nowMs: number, aheadMin: number): HorizonScale {
  const fromMs = Math.floor(nowMs / hourMs) * hourMs
  return { nowMs, fromMs, toMs: fromMs + aheadMin * 60_000 + hourMs }
}

/**
 * Hours ahead as a horizon: the tape is drawn out up to now, owed work stands ahead of it, and what is late piles up at its left. The clock
 * under it stands still, so that now moves over it.
 * @param formatHour how the hours are written under it
 */
export function HorizonRows({
  rows,
  scale,
  formatHour,
}: {
  rows: readonly { readonly name: string; readonly marks: readonly HorizonMark[] }[]
  scale: HorizonScale
  formatHour: (ms: number) => string
}) {
  const { fromMs, toMs } = scale
  const hours = Array.from({ length: Math.round((toMs - fromMs) / hourMs) }, (_, hour) => fromMs + hour * hourMs)
  return (
    <div className="grid gap-1">
      {rows.map(({ name, marks }) => (
        <Row key={name} name={name} marks={marks} scale={scale} />
      ))}
      <div className="ml-[calc(6.5rem+4.75rem)] flex max-sm:ml-[calc(4.5rem+3.25rem)]" aria-hidden>
        {hours.map((atMs, index) => (
          <span key={atMs} className="min-w-0 flex-1 border-l-2 border-ink pl-1 text-[0.8125rem] text-soft">
            {/* On a phone every other hour has room for its name. */}
            <span className={index % 2 === 1 ? 'max-sm:hidden' : ''}>{formatHour(atMs)}</span>
          </span>
        ))}
      </div>
    </div>
  )
}

function Row({ name, marks, scale: { nowMs, fromMs, toMs } }: { name: string; marks: readonly HorizonMark[]; scale: HorizonScale }) {
  const late = marks.filter((mark) => mark.isLate)
  const ahead = marks.filter((mark) => !mark.isLate)
  const left = (ms: number): string => `${(100 * (Math.max(fromMs, ms) - fromMs)) / (toMs - fromMs)}%`
  return (
    <div role="img" aria-label={`${name}: ${late.length} late, ${ahead.length} ahead`} className="flex items-stretch gap-1">
      <span className="w-25 shrink-0 self-center text-sm leading-tight font-semibold wrap-anywhere max-sm:w-17">{name}</span>
      <span className="flex w-18 shrink-0 flex-wrap content-center justify-end gap-0.5 border-r-2 border-ink pr-1 max-sm:w-12">
        {late.slice(0, mostPiled).map((mark) => (
          <span key={mark.id} className="h-2.5 w-1.5 rounded-[2px] bg-stop" />
        ))}
        {late.length > 0 ? <span className="numeral ml-1 text-sm leading-none font-bold text-stop">{late.length}</span> : null}
      </span>
      <span className="relative h-8 min-w-0 flex-1 overflow-hidden rounded-r-lg bg-well">
        <span className="absolute inset-y-0 left-0 bg-citrus" style={{ width: left(nowMs) }} />
        <span className="absolute inset-y-0 w-0.5 bg-ink" style={{ left: left(nowMs) }} />
        {ahead.map((mark) => (
          <span
            key={mark.id}
            className={`absolute inset-y-1.5 w-1.5 rounded-[2px] ring-1 ring-sheet ${fills[mark.tone]}`}
            style={{ left: left(mark.atMs) }}
          />
        ))}
      </span>
    </div>
  )
}
