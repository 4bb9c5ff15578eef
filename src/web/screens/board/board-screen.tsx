import { useCallback, useEffect, useState } from 'react'
import type { BoardAnswer } from '#contract/views/board'
import { paths } from '#contract/api/paths'
import { useNow } from '../../sync/use-now'
import { ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { callApi } from '../../sync/api'
import { setServerClock } from '../../sync/server-clock'
import { useHints } from '../../sync/live-stream'
import { currentDurable } from '../../sync/session-store'
import { BoardLine } from './board-line'
import { orderRows, urgencyOf } from './board-order'

/** All live cases, worst first: what is overdue, worsening, due, under way. */
export function BoardScreen() {
  const [answer, setAnswer] = useState<BoardAnswer | null>(null)
  const [refusal, setRefusal] = useState<string | null>(null)
  const hints = useHints((store) => store.count)
  const now = useNow(10_000)
  const load = useCallback(async () => {
    const result = await callApi<BoardAnswer>('GET', paths.board)
    if (result.kind === 'ok') {
      setServerClock(result.value.now)
      setAnswer(result.value)
      setRefusal(null)
      void currentDurable()?.writeAnswer('board', result.value)
    } else {
      const kept = result.kind === 'refused' ? undefined : await currentDurable()?.readAnswer<BoardAnswer>('board')
      setAnswer((shown) => shown ?? kept ?? null)
      setRefusal(result.kind === 'refused' ? result.problem.detail : 'No connection: what you see is as old as it says.')
    }
  }, [])
  useEffect(() => {
    void load()
    const timer = setInterval(() => void load(), 30_000)
    return () => clearInterval(timer)
  }, [load, hints])

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
          <ButtonLink to="/hand-over">Hand-over</ButtonLink>
          <ButtonLink to="/history">History</ButtonLink>
          <ButtonLink look="next" to="/new">
            New case
          </ButtonLink>
        </div>
      </div>
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
