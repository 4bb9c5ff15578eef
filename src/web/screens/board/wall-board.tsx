import { X } from 'lucide-react'
import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import { spoken } from '#core/model/vocabulary'
import type { BoardRow } from '#contract/api/board'
import { formatClock, formatDue, formatSpan } from '../../parts/format-time'
import { LevelMark } from '../../parts/level-mark'
import { initialsOf } from './board-filter'
import { latenessMin, toneOfRow, isPressingRow } from './board-order'
import { ToneShape, toneInk } from '../../parts/tone-shape'

/** The Board across a room: the pressing beds in tiles, the others a line each, how old it is, and how many have no room. */
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
  const list = useRef<HTMLUListElement>(null)
  const fitting = useFitting(list, rows.length)
  const left = rows.slice(fitting)
  const pressing = left.filter((row) => isPressingRow(row, now)).length
  return (
    <div className="fixed inset-0 z-50 flex flex-col overflow-hidden bg-paper p-5">
      <div className={`mb-3 flex items-center gap-x-6 text-xl font-bold ${warning || ageMin >= 2 ? 'text-stop' : 'text-soft'}`}>
        <span className="numeral text-[4rem] leading-none text-ink">{formatClock(now)}</span>
        <span>{ageMin < 2 ? `read ${ageMin < 1 ? 'just now' : '1 min ago'}` : `STALE: read ${formatSpan(ageMin)} ago`}</span>
        {warning ? <span role="alert">{warning}</span> : null}
        <button
          type="button"
          aria-label="Leave the wall"
          onClick={onLeave}
          className="ml-auto grid size-12 place-items-center rounded-xl border-[1.5px] border-soft bg-sheet text-ink"
        >
          <X size={26} aria-hidden />
        </button>
      </div>
      <ul ref={list} aria-label="Live cases, worst first" className="relative grid min-h-0 flex-1 content-start overflow-hidden">
        {rows.map((row, index) => (
          <li key={row.caseId} className={index < fitting ? '' : 'invisible'}>
            {isPressingRow(row, now) ? (
              <WallTile row={row} now={now} isInitials={isInitials} />
            ) : (
              <WallLine row={row} now={now} isInitials={isInitials} />
            )}
          </li>
        ))}
      </ul>
      {left.length > 0 ? (
        <p className={`pt-2 text-xl font-bold ${pressing > 0 ? 'text-stop' : 'text-soft'}`}>
          +{left.length} more, {pressing > 0 ? `${pressing} of them pressing` : 'none pressing'}
        </p>
      ) : null}
    </div>
  )
}

/** How many entries of a list lie wholly inside it, however high each is; measured again whenever something changes. */
function useFitting(list: React.RefObject<HTMLUListElement | null>, count: number): number {
  const [fitting, setFitting] = useState(count)
  const measure = useRef(() => {
    const box = list.current
    if (!box) return
    const cut = [...box.children].findIndex(
      (child) => child instanceof HTMLElement && child.offsetTop + child.offsetHeight > box.clientHeight + 1,
    )
    setFitting(cut < 0 ? box.children.length : cut)
  })
  useLayoutEffect(() => measure.current())
  useEffect(() => {
    const again = (): void => measure.current()
    window.addEventListener('resize', again)
    return () => window.removeEventListener('resize', again)
  }, [])
  return fitting
}

function whoIn(row: BoardRow, isInitials: boolean): string {
  return isInitials && !row.isTemporaryName ? initialsOf(row.patient) : row.patient
}

function partOf(row: BoardRow): string {
  return [row.side?.toUpperCase(), row.region ? spoken(row.region) : ''].filter(Boolean).join(' ') || 'side not set'
}

/** What is owed next and when, or null. */
function owedWords(row: BoardRow, now: number): { readonly words: string; readonly isLate: boolean } | null {
  const late = latenessMin(row, now)
  if (late === null) return null
  const what = row.nextWhat ?? 'Round'
  return { words: `${what}${late > 0 ? ',' : ''} ${formatDue(late)}`, isLate: late > row.graceMin }
}

/** Somebody who needs one now: the bed to be read from the door, and all of what was found. */
function WallTile({ row, now, isInitials }: { row: BoardRow; now: number; isInitials: boolean }) {
  const owed = owedWords(row, now)
  const tone = toneOfRow(row, now)
  const isStanding = row.level !== null && ['urgent', 'stop', 'review'].includes(row.level)
  return (
    <div
      className={`mb-2 rounded-2xl border-l-[12px] px-4 py-1.5 ${tone === 'stop' ? 'border-stop bg-stop-wash' : 'border-caution bg-caution-wash'}`}
    >
      <p className="flex flex-wrap items-baseline gap-x-5 leading-tight font-bold">
        <span className="text-[2.35rem]">{row.place}</span>
        <span className="text-[1.6rem]">
          {whoIn(row, isInitials)}, {partOf(row)}
        </span>
        {owed ? <span className={`ml-auto text-[1.4rem] ${owed.isLate ? 'text-stop' : ''}`}>{isStanding ? owed.words : ''}</span> : null}
      </p>
      <p className={`flex items-baseline gap-2.5 text-[1.65rem] leading-tight font-semibold ${toneInk[tone]}`}>
        <ToneShape tone={tone} size={24} />
        {isStanding ? row.finding : (owed?.words ?? row.finding)}
      </p>
    </div>
  )
}

/** Somebody who can wait, in a line of 40 px. */
function WallLine({ row, now, isInitials }: { row: BoardRow; now: number; isInitials: boolean }) {
  const owed = owedWords(row, now)
  return (
    <div className="grid h-10 grid-cols-[1.1fr_1.2fr_1.2fr_1.8fr_1.2fr] items-center gap-x-4 border-b border-line px-3 text-[1.25rem] leading-tight">
      <span className="truncate font-semibold">{row.place}</span>
      <span className="truncate">{whoIn(row, isInitials)}</span>
      <span className="truncate">{partOf(row)}</span>
      <span className="flex min-w-0 items-baseline gap-2">
        <LevelMark level={row.level} word={row.finding === null ? undefined : ''} />
        <span className="truncate">{row.finding}</span>
      </span>
      <span className="truncate text-right">{owed?.words ?? ''}</span>
    </div>
  )
}
