import { Link } from 'react-router'
import { spoken } from '#core/model/vocabulary'
import type { BoardRow } from '#contract/api/board'
import { formatClock, formatDue } from '../../parts/format-time'
import { LevelMark } from '../../parts/level-mark'
import { useNarrow } from '../../parts/use-narrow'
import { levelWord } from './board-line'
import { latenessMin } from './board-order'
import { deviceState } from './device-state'

const heads = ['Place', 'Patient', 'What', 'Stands', 'Answered', 'Next owed', 'Device'] as const
/** On a tablet held upright what is pressing and what is owed keep their place; the rest stands on the case. */
const wideOnly = 'max-lg:hidden'
const notOnPhone = 'max-sm:hidden'
/** Shares of an upright tablet's width, and of a phone's; none for what is not shown there. */
const narrowWidths: Readonly<Record<(typeof heads)[number], string>> = {
  Place: 'max-lg:w-[16%] max-sm:w-[29%]',
  Patient: 'max-lg:w-[21%] max-sm:w-[27%]',
  What: `max-lg:w-[14%] ${notOnPhone}`,
  Stands: 'max-lg:w-[23%] max-sm:w-[9%]',
  Answered: wideOnly,
  'Next owed': 'max-lg:w-[26%] max-sm:w-[35%]',
  Device: wideOnly,
}

/** The Board in one line a case: two dozen in sight. A row is a way to its case all along, as high as a thumb where there are thumbs. */
export function BoardTable({ rows, now }: { rows: readonly BoardRow[]; now: number }) {
  return (
    <div className="overflow-x-auto">
      <table
        className="w-full max-lg:table-fixed lg:min-w-[68rem] border-collapse text-left text-[0.82rem] leading-none"
        aria-label="Live cases, worst first"
      >
        <thead>
          <tr className="border-b border-soft">
            {heads.map((head) => (
              <th key={head} scope="col" className={`px-1.5 py-0.5 text-soft ${narrowWidths[head]}`}>
                <span className={head === 'Stands' ? 'max-sm:sr-only' : ''}>{head}</span>
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
  const isNarrow = useNarrow()
  const late = latenessMin(row, now)
  const isTinted = row.level === 'urgent' || row.level === 'stop'
  const part = [row.side?.toUpperCase(), row.region ? spoken(row.region) : ''].filter(Boolean).join(' ')
  const cell = 'max-w-56 truncate px-1.5 pointer-coarse:max-lg:leading-tight pointer-coarse:max-lg:whitespace-normal'
  return (
    <tr className={`relative h-[1.4rem] border-b pointer-coarse:h-11 border-line ${isTinted ? 'bg-stop-wash' : ''}`}>
      <td className={`${cell} font-semibold`}>{row.place}</td>
      <td className={cell}>
        <Link
          to={`/case/${row.caseId}/${row.stage}`}
          className="font-bold underline decoration-line underline-offset-2 after:absolute after:inset-0"
        >
          {row.patient}
        </Link>
      </td>
      <td className={`${cell} ${notOnPhone}`} title={`${row.techniqueName}, ${part}`}>
        <span className={wideOnly}>{row.techniqueName}, </span>
        {part || 'side not set'}
      </td>
      <td className={cell} title={row.finding ?? undefined}>
        <LevelMark level={row.level} word={levelWord(row, now)} isShapeAlone={isNarrow} />
        {row.sinceAt ? <span className={`text-soft ${wideOnly}`}> since {formatClock(row.sinceAt)}</span> : null}
      </td>
      <td className={`${cell} ${wideOnly}`}>
        {row.answer === null ? (
          ''
        ) : row.answer.at === null ? (
          <strong className="text-stop">not answered</strong>
        ) : (
          `${formatClock(row.answer.at)} ${row.answer.by ?? ''}`
        )}
      </td>
      <td className={`${cell} ${late !== null && late > row.graceMin ? 'font-bold text-stop' : ''}`}>
        {late === null ? '' : `${isNarrow ? '' : `${row.nextWhat ?? 'Round'} `}${formatDue(late)}`}
      </td>
      <td className={`${cell} ${wideOnly} text-soft`}>{deviceState(row, now)}</td>
    </tr>
  )
}
