import { Link } from 'react-router'
import { spoken } from '#core/model/vocabulary'
import type { BoardRow } from '#contract/views/board'
import { formatClock, formatLate, formatSpan } from '../../parts/format-time'
import { LevelMark } from '../../parts/level-mark'
import { levelWord } from './board-line'
import { latenessMin } from './board-order'
import { deviceState } from './device-state'

const heads = ['Place', 'Patient', 'What', 'Stands', 'Answered', 'Next owed', 'Device'] as const

/** The Board in one line a case: two dozen in sight. */
export function BoardTable({ rows, now }: { rows: readonly BoardRow[]; now: number }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[68rem] border-collapse text-left text-[0.82rem] leading-none" aria-label="Live cases, worst first">
        <thead>
          <tr className="border-b border-soft">
            {heads.map((head) => (
              <th key={head} scope="col" className="px-1.5 py-0.5 text-soft">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <BoardTableRow key={row.caseId} row={row} now={now} />
          ))}
        </tbody>
      </table>
    </div>
  )
}

function BoardTableRow({ row, now }: { row: BoardRow; now: number }) {
  const late = latenessMin(row, now)
  const isTinted = row.level === 'urgent' || row.level === 'stop'
  const part = [row.side?.toUpperCase(), row.region ? spoken(row.region) : ''].filter(Boolean).join(' ')
  const cell = 'max-w-56 truncate px-1.5'
  return (
    <tr className={`h-[1.4rem] border-b border-line ${isTinted ? 'bg-stop-wash' : ''}`}>
      <td className={`${cell} font-semibold`}>{row.place}</td>
      <td className={cell}>
        <Link to={`/case/${row.caseId}/${row.stage}`} className="font-bold underline decoration-line underline-offset-2">
          {row.patient}
        </Link>
      </td>
      <td className={cell} title={`${row.techniqueName}, ${part}`}>
        {row.techniqueName}, {part || 'side not set'}
      </td>
      <td className={cell} title={row.finding ?? undefined}>
        <LevelMark level={row.level} word={levelWord(row, now)} />
        {row.sinceAt ? <span className="text-soft"> since {formatClock(row.sinceAt)}</span> : null}
      </td>
      <td className={cell}>
        {row.answer === null ? (
          ''
        ) : row.answer.at === null ? (
          <strong className="text-stop">not answered</strong>
        ) : (
          `${formatClock(row.answer.at)} ${row.answer.by ?? ''}`
        )}
      </td>
      <td className={`${cell} ${late !== null && late > row.graceMin ? 'font-bold text-stop' : ''}`}>
        {late === null
          ? ''
          : `${row.nextWhat ?? 'Round'} ${late > 0 ? formatLate(late) : `in ${formatSpan(Math.max(1, Math.round(-late)))}`}`}
      </td>
      <td className={`${cell} text-soft`}>{deviceState(row, now)}</td>
    </tr>
  )
}
