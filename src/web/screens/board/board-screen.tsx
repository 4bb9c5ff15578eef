import type { BoardAnswer } from '#contract/views/board'
import { paths } from '#contract/api/paths'
import { useNow } from '../../sync/use-now'
import { formatClock } from '../../parts/format-time'
import { ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useAnswer } from '../../sync/use-answer'
import { BoardLine } from './board-line'
import { orderRows, urgencyOf } from './board-order'

/** All live cases, worst first: what is overdue, worsening, due, under way. */
export function BoardScreen() {
  const { answer, refusal } = useAnswer<BoardAnswer>(paths.board)
  const now = useNow(10_000)
  const rows = answer ? orderRows(answer.rows, now) : []
  const pressing = rows.filter((row) => urgencyOf(row, now) <= 2).length
  const ageMin = answer ? Math.floor((now - Date.parse(answer.now)) / 60_000) : 0
  return (
    <main id="main" className="mx-auto w-full max-w-6xl flex-1 px-3 py-5 sm:px-6">
      <div className="mb-4 flex flex-wrap items-end gap-x-5 gap-y-3">
        <div>
          <h1 className="text-2xl font-bold">Board</h1>
          <p className="text-soft">
            {answer ? (
              <>
                {rows.length} live {rows.length === 1 ? 'case' : 'cases'},{' '}
                <strong className={pressing > 0 ? 'text-stop' : ''}>{pressing} pressing</strong> · read{' '}
                {ageMin < 1 ? 'just now' : `${ageMin} min ago`}
              </>
            ) : (
              'Reading…'
            )}
          </p>
        </div>
        <div className="ml-auto flex flex-wrap gap-3">
          <ButtonLink to="/round">My round</ButtonLink>
          <ButtonLink to="/hand-over">Hand-over</ButtonLink>
          <ButtonLink to="/history">History</ButtonLink>
          <ButtonLink to="/ward">Ward</ButtonLink>
          <ButtonLink look="next" to="/new">
            New case
          </ButtonLink>
        </div>
      </div>
      {answer?.pager && !answer.pager.isAnswering ? (
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
      {answer && rows.length === 0 ? (
        <p className="rounded-2xl border border-dashed border-soft p-8 text-center">No live cases. Pick up the tape and start one.</p>
      ) : null}
      <ul className="grid gap-2.5" aria-label="Live cases, worst first">
        {rows.map((row) => (
          <BoardLine key={row.caseId} row={row} now={now} />
        ))}
      </ul>
      <p className="mt-6 text-sm text-soft">
        The Board reminds of what was planned and shows what was entered. It does not monitor anybody.
      </p>
    </main>
  )
}
