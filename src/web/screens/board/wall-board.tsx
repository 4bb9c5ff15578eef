import { useEffect } from 'react'
import { spoken } from '#core/model/vocabulary'
import type { BoardRow } from '#contract/views/board'
import { formatClock, formatSpan } from '../../parts/format-time'
import { LevelMark } from '../../round/level-mark'
import { initialsOf } from './board-filter'
import { latenessMin, urgencyOf } from './board-order'

/** The Board across a room: large, without controls, with how old it is; Escape leaves it. */
export function WallBoard({
  rows,
  now,
  ageMin,
  isInitials,
  warning,
  onLeave,
}: {
  rows: readonly BoardRow[]
  now: number
  ageMin: number
  isInitials: boolean
  /** What everybody has to know about the Board itself; null where nothing. */
  warning: string | null
  onLeave: () => void
}) {
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') onLeave()
    }
    document.addEventListener('keydown', listen)
    return () => document.removeEventListener('keydown', listen)
  }, [onLeave])
  return (
    <div className="fixed inset-0 z-50 overflow-hidden bg-paper p-5">
      <button type="button" className="sr-only focus:not-sr-only" onClick={onLeave}>
        Leave the wall
      </button>
      <p className={`mb-2 flex flex-wrap gap-x-6 text-xl font-bold ${warning || ageMin >= 2 ? 'text-stop' : 'text-soft'}`}>
        <span>{formatClock(now)}</span>
        <span>{ageMin < 2 ? `read ${ageMin < 1 ? 'just now' : '1 min ago'}` : `STALE: read ${formatSpan(ageMin)} ago`}</span>
        {warning ? <span role="alert">{warning}</span> : null}
      </p>
      <ul aria-label="Live cases, worst first" className="grid">
        {rows.map((row) => (
          <WallLine key={row.caseId} row={row} now={now} isInitials={isInitials} />
        ))}
      </ul>
    </div>
  )
}

function WallLine({ row, now, isInitials }: { row: BoardRow; now: number; isInitials: boolean }) {
  const late = latenessMin(row, now)
  const isPressing = urgencyOf(row, now) <= 2
  const part = [row.side?.toUpperCase(), row.region ? spoken(row.region) : ''].filter(Boolean).join(' ')
  return (
    <li
      className={`grid grid-cols-[1.1fr_1.2fr_1.2fr_1.8fr_1fr] items-baseline gap-x-4 border-b border-line px-3 py-1.5 text-[1.35rem] leading-tight ${isPressing ? 'bg-stop-wash font-bold' : ''}`}
    >
      <span className="truncate">{row.place}</span>
      <span className="truncate">{isInitials && !row.isTemporaryName ? initialsOf(row.patient) : row.patient}</span>
      <span className="truncate">{part || 'side not set'}</span>
      <span className="flex min-w-0 items-baseline gap-2">
        <LevelMark level={row.level} word={row.finding === null ? undefined : ''} />
        <span className="truncate">{row.finding}</span>
      </span>
      <span className={`truncate text-right ${late !== null && late > row.graceMin ? 'text-stop' : ''}`}>
        {late === null ? '' : late > 0 ? `${formatSpan(Math.round(late))} late` : `in ${formatSpan(Math.max(1, Math.round(-late)))}`}
      </span>
    </li>
  )
}
