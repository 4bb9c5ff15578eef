import { spoken } from '#core/model/vocabulary'
import type { BoardRow } from '#contract/api/board'
import { lateWork, workDoor, workVerb } from '../../case/frame/work-door'
import { Button, ButtonLink } from '../../parts/button'
import { formatClock, formatDue, formatLate } from '../../parts/format-time'
import { LevelMark } from '../../parts/level-mark'

/** One bed of the walk: where, who, which side, what is due, and doing it. */
export function BedCard({
  row,
  now,
  isNext,
  onRound,
  onNotDone,
}: {
  row: BoardRow
  now: number
  isNext: boolean
  onRound: () => void
  onNotDone: () => void
}) {
  const lateMin = row.nextDueAt === null ? 0 : Math.round((now - Date.parse(row.nextDueAt)) / 60_000)
  const late = lateWork(row, now).filter((work) => work.id !== row.nextId)
  const isRound = row.nextWhat === 'Round' || row.nextWhat === null
  const part = [row.side?.toUpperCase(), row.region ? spoken(row.region) : ''].filter(Boolean).join(' ')
  return (
    <li className={`grid gap-2 rounded-2xl border bg-sheet p-4 ${isNext ? 'border-2 border-ink' : 'border-line'}`}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <strong className="text-xl">{row.place}</strong>
        <span className="font-semibold">{row.patient}</span>
        <span className="text-soft">
          {part}, {row.techniqueName}
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <LevelMark level={row.level} />
        <span className={lateMin > row.graceMin ? 'font-bold text-stop' : 'font-semibold'}>
          {row.nextWhat ?? 'Round'} {formatDue(lateMin)}
        </span>
        {row.finding ? <span className="basis-full text-sm text-soft">{row.finding}</span> : null}
        {row.tried ? (
          <span className="basis-full text-sm font-semibold">
            Tried: {row.tried.map(({ outcome, at }) => `${spoken(outcome)} ${formatClock(at)}`).join(', ')}
          </span>
        ) : null}
        {row.leftOpen ? <span className="basis-full text-sm font-semibold">Left open by the last round: {row.leftOpen}</span> : null}
        {row.said ? (
          <span className="basis-full text-sm font-bold">
            {row.said.by}, {formatClock(row.said.at)}: {row.said.text}
          </span>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-2 max-sm:gap-1">
        {isRound ? (
          <>
            <Button className="max-sm:px-4" look={isNext ? 'next' : 'plain'} aria-label={`Do the round: ${row.patient}`} onClick={onRound}>
              Do the round
            </Button>
            <Button className="max-sm:px-4" aria-label={`Not done: ${row.patient}`} onClick={onNotDone}>
              Not done
            </Button>
          </>
        ) : null}
        {late.map((work) => (
          <ButtonLink key={work.id} className="max-sm:px-4" to={workDoor(row.caseId, work.id)} label={`${workVerb(work)}, ${row.patient}`}>
            {workVerb(work)}, {formatLate(work.lateMin)}
          </ButtonLink>
        ))}
        <ButtonLink
          className="max-sm:px-2"
          look={isRound ? 'quiet' : isNext ? 'next' : 'plain'}
          to={isRound ? `/case/${row.caseId}/watch` : workDoor(row.caseId, row.nextId ?? '')}
        >
          <span className="sr-only">{row.patient}: </span>
          {isRound ? 'Open' : `Open: ${row.nextWhat ?? ''}`}
        </ButtonLink>
      </div>
    </li>
  )
}
