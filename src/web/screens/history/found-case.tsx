import { Link } from 'react-router'
import { spoken } from '#core/model/vocabulary'
import { endingWords } from '#contract/records/ending'
import type { BoardRow } from '#contract/api/board'
import { isPlaced } from '#ward/case/is-placed'
import { formatDate } from '../../parts/format-time'
import { LevelMark } from '../../parts/level-mark'

/** One case that was found: who, what, where, and how it stands or ended. */
export function FoundCase({ row }: { row: BoardRow }) {
  return (
    <li>
      <Link
        to={`/case/${row.caseId}/${row.stage === 'watch' ? 'watch' : row.ended || row.isOff ? 'record' : row.stage}`}
        className="grid min-h-16 items-center gap-x-5 gap-y-1 rounded-2xl border border-line bg-sheet px-4 py-2.5 sm:grid-cols-[1.2fr_1fr_14rem]"
      >
        <span className="min-w-0">
          <span className="block font-bold wrap-anywhere">
            {row.patient}
            {row.number ? <span className="ml-2 font-normal text-soft">{row.number}</span> : null}
          </span>
          <span className="block text-soft">
            {row.place} ·{' '}
            {row.region && isPlaced(row) ? [row.side?.toUpperCase(), spoken(row.region)].filter(Boolean).join(' ') : 'side not set'} ·{' '}
            {row.techniqueName}
          </span>
        </span>
        <span className="min-w-0">
          {row.finding ? (
            <>
              <LevelMark level={row.level} />
              <span className="block text-sm text-soft">{row.finding}</span>
            </>
          ) : (
            <span className="text-soft">nothing stands</span>
          )}
        </span>
        <span className="text-sm sm:text-right">
          <span className="block">from {formatDate(Date.parse(row.openedAt))}</span>
          <span className="block font-semibold">{howItIs(row)}</span>
        </span>
      </Link>
    </li>
  )
}

function howItIs({ ended, offAt, isOnBoard }: BoardRow): string {
  if (ended) return `${endingWords[ended.how]}, ${formatDate(Date.parse(ended.at))}`
  if (offAt) return `taken off ${formatDate(Date.parse(offAt))}`
  return isOnBoard ? 'on the Board' : 'ended'
}
