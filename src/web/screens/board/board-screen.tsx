import { useSearchParams } from 'react-router'
import { hasRight } from '#contract/rights'
import type { BoardAnswer } from '#contract/views/board'
import { paths } from '#contract/api/paths'
import { useNow } from '../../sync/use-now'
import { formatClock } from '../../parts/format-time'
import { ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useAnswer } from '../../sync/use-answer'
import { usePerson } from '../../sync/session-store'
import { filterRows, readFilter, writeFilter, type BoardFilter } from './board-filter'
import { BoardLine } from './board-line'
import { orderRows, urgencyOf } from './board-order'
import { useBoardSound } from './board-sound'
import { BoardTable } from './board-table'
import { FilterBar } from './filter-bar'
import { NextHours } from './next-hours'
import { useTitleBadge } from './use-title-badge'
import { WallBoard } from './wall-board'

/** All live cases, worst first: what is overdue, worsening, due, under way. */
export function BoardScreen() {
  const { answer, refusal } = useAnswer<BoardAnswer>(paths.board)
  const now = useNow(10_000)
  const person = usePerson()
  const [params, setParams] = useSearchParams()
  const filter = readFilter(params)
  const set = (change: Partial<BoardFilter>): void => setParams(writeFilter({ ...filter, ...change }), { replace: true })
  const all = answer ? orderRows(answer.rows, now) : []
  const rows = filterRows(all, filter, { name: person.name, places: person.settings.places ?? [] }, now)
  useBoardSound(answer ? answer.rows : null, now, person.settings.sound)
  const pressing = rows.filter((row) => urgencyOf(row, now) <= 2).length
  useTitleBadge(all.filter((row) => row.level === 'urgent').length)
  const ageMin = answer ? Math.floor((now - Date.parse(answer.now)) / 60_000) : 0
  const isRead = answer !== null || refusal !== null
  const isPagerAway = answer?.pager?.isAnswering === false
  if (filter.view === 'wall') {
    return (
      <main id="main">
        <h1 className="sr-only">Board</h1>
        <WallBoard
          rows={rows}
          now={now}
          ageMin={ageMin}
          isInitials={filter.isInitials}
          warning={isPagerAway ? 'The pager is not answering: phone' : refusal}
          onLeave={() => set({ view: 'cards' })}
        />
      </main>
    )
  }
  return (
    <main id="main" className={`mx-auto w-full flex-1 px-3 sm:px-6 ${filter.view === 'rows' ? 'max-w-[100rem] py-2' : 'max-w-6xl py-5'}`}>
      <div className="mb-2 flex flex-wrap items-end gap-x-5 gap-y-2">
        <div>
          <h1 className="text-2xl font-bold">Board</h1>
          <p className="text-soft">
            {answer ? (
              <>
                {rows.length === all.length ? rows.length : `${rows.length} of ${all.length}`} live {all.length === 1 ? 'case' : 'cases'},{' '}
                <strong className={pressing > 0 ? 'text-stop' : ''}>{pressing} pressing</strong> · read{' '}
                <span className={ageMin >= 2 ? 'font-bold text-stop' : ''}>{ageMin < 1 ? 'just now' : `${ageMin} min ago`}</span>
              </>
            ) : (
              'Reading…'
            )}
          </p>
        </div>
        {answer?.toSettle ? <ButtonLink to="/held">Not taken {answer.toSettle}</ButtonLink> : null}
        {answer?.toCountersign ? <ButtonLink to="/countersign">Countersign {answer.toCountersign}</ButtonLink> : null}
        <div className="ml-auto flex flex-wrap gap-2 sm:gap-3">
          {hasRight(person.roles, 'read') ? (
            <>
              <ButtonLink to="/round">My round</ButtonLink>
              <ButtonLink to="/hand-over">Hand-over</ButtonLink>
              <ButtonLink to="/history">History</ButtonLink>
              <ButtonLink to="/ward">Ward</ButtonLink>
            </>
          ) : null}
          <ButtonLink look="next" to="/new">
            New case
          </ButtonLink>
        </div>
      </div>
      {isPagerAway && answer?.pager ? (
        <div className="mb-4">
          <Notice tone="stop" lead="The pager is not answering: phone" role="alert">
            Since {formatClock(answer.pager.since)}. What is urgent still calls, and goes out as soon as the pager is back.
          </Notice>
        </div>
      ) : null}
      {refusal ? (
        <div className="mb-4">
          <Notice tone="caution" lead={refusal} role="alert" />
        </div>
      ) : null}
      {all.length > 0 ? <FilterBar rows={all} filter={filter} onChange={set} /> : null}
      {answer && all.length === 0 ? (
        <p className="rounded-2xl border border-dashed border-soft p-8 text-center">No live cases. Pick up the tape and start one.</p>
      ) : null}
      {all.length > 0 && rows.length === 0 ? (
        <p role="status" className="rounded-2xl border border-dashed border-soft p-8 text-center">
          Nobody answers to that: take a mark off, or look in the history.
        </p>
      ) : null}
      {/* Nothing stands here that what is read would push away. */}
      {!isRead ? null : filter.view === 'rows' ? (
        <BoardTable rows={rows} now={now} />
      ) : (
        <ul className="grid gap-2.5" aria-label="Live cases, worst first">
          {rows.map((row) => (
            <BoardLine key={row.caseId} row={row} now={now} />
          ))}
        </ul>
      )}
      {rows.length > 0 ? (
        <details className="mt-6 rounded-2xl border border-line bg-sheet px-4 py-2">
          <summary className="min-h-11 cursor-pointer content-center font-bold">Next four hours</summary>
          <NextHours rows={rows} now={now} />
        </details>
      ) : null}
      <p className={`mt-6 text-sm text-soft ${isRead ? '' : 'hidden'}`}>
        The Board reminds of what was planned and shows what was entered. It does not monitor anybody.
      </p>
    </main>
  )
}
