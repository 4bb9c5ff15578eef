import { useEffect, useState } from 'react'
import { useSearchParams } from 'react-router'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { EmptyPage } from '../../parts/empty-page'
import { askHistory, type HistoryPage } from '../../sync/ask-history'
import { FoundCase } from './found-case'

const typingMs = 250

type Found = { readonly status: 'reading' } | HistoryPage

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
    const show = (page: HistoryPage): boolean => {
      if (isCurrent) setFound(page)
      return !isCurrent
    }
    void askHistory(asked, null, show).then(show)
    return () => {
      isCurrent = false
    }
  }, [asked])
  const readMore = async (): Promise<void> => {
    if (found.status !== 'found' || found.next === null) return
    setReadingMore(true)
    const before = found.rows
    const show = (page: HistoryPage): boolean => {
      setFound(page.status === 'found' ? { ...page, rows: [...before, ...page.rows] } : page)
      return false
    }
    show(await askHistory(asked, found.next, show))
    setReadingMore(false)
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
        {found.status === 'found' && found.rows.length === 0 && !found.isLooking ? (
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
        {found.status === 'found' && found.isLooking ? (
          <p role="status" className="text-soft">
            Looking further back…
          </p>
        ) : null}
        {found.status === 'found' && found.next && !found.isLooking ? (
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
