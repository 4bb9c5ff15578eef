import { useEffect, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { HistoryAnswer } from '#contract/api/history'
import { paths } from '#contract/api/paths'
import type { BoardRow } from '#contract/views/board'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { EmptyPage } from '../../parts/empty-page'
import { callApi } from '../../sync/api'
import { FoundCase } from './found-case'

const typingMs = 250

type Found =
  | { readonly status: 'reading' }
  | { readonly status: 'refused'; readonly why: string }
  | { readonly status: 'found'; readonly rows: readonly BoardRow[]; readonly next: string | null }

/** Every case there was, live or ended, found by words; what is asked for stays in the address. */
export function HistoryScreen() {
  const [params, setParams] = useSearchParams()
  const asked = params.get('q') ?? ''
  const [typed, setTyped] = useState(asked)
  const [found, setFound] = useState<Found>({ status: 'reading' })
  const [isReadingMore, setReadingMore] = useState(false)
  useEffect(() => {
    if (typed.trim() === asked) return
    const timer = setTimeout(() => setParams(typed.trim() ? { q: typed.trim() } : {}, { replace: true }), typingMs)
    return () => clearTimeout(timer)
  }, [typed, asked, setParams])
  useEffect(() => {
    let isCurrent = true
    void ask(asked, null).then((answer) => {
      if (isCurrent) setFound(answer)
    })
    return () => {
      isCurrent = false
    }
  }, [asked])
  const readMore = async (): Promise<void> => {
    if (found.status !== 'found' || found.next === null) return
    setReadingMore(true)
    const more = await ask(asked, found.next)
    setReadingMore(false)
    setFound(more.status === 'found' ? { ...more, rows: [...found.rows, ...more.rows] } : more)
  }
  return (
    <main id="main" className="page page-list">
      <h1 className="mb-4 text-2xl font-bold">History</h1>
      <TextField
        label="Find"
        type="search"
        value={typed}
        maxLength={120}
        autoFocus
        hint="Name, number, date of birth, place, technique, part, finding, how it ended, or who was there: the beginning of each word."
        onChange={(event) => setTyped(event.target.value)}
      />
      <div className="mt-5 grid gap-2.5" aria-live="polite">
        {found.status === 'reading' ? <p className="text-soft">Reading…</p> : null}
        {found.status === 'refused' ? <Notice tone="caution" lead={found.why} role="alert" /> : null}
        {found.status === 'found' && found.rows.length === 0 ? (
          <EmptyPage lead={asked ? `No case for “${asked}”` : 'No cases yet'}>
            <p>{asked ? 'Try fewer words, or only the beginning of one.' : 'Every case stands here once it is begun, and stays.'}</p>
          </EmptyPage>
        ) : null}
        {found.status === 'found' ? (
          <ul className="grid gap-2" aria-label="Cases, the newest first">
            {found.rows.map((row) => (
              <FoundCase key={row.caseId} row={row} />
            ))}
          </ul>
        ) : null}
        {found.status === 'found' && found.next ? (
          <div>
            <Button disabled={isReadingMore} onClick={() => void readMore()}>
              {isReadingMore ? 'Reading…' : 'Show older ones'}
            </Button>
          </div>
        ) : null}
      </div>
    </main>
  )
}

async function ask(words: string, after: string | null): Promise<Found> {
  const query = new URLSearchParams({ q: words, ...(after ? { after } : {}) })
  const result = await callApi<HistoryAnswer>('GET', paths.history(query.toString()))
  if (result.kind === 'ok') return { status: 'found', rows: result.value.rows, next: result.value.next }
  if (result.kind === 'refused') return { status: 'refused', why: result.problem.detail }
  return { status: 'refused', why: 'No connection: the history is read from the server. Try again when it answers.' }
}
