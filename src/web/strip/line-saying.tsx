import { CloudOff } from 'lucide-react'
import { useEffect, useState } from 'react'
import { findEventKind } from '#contract/events/index'
import type { Saying } from './saying'
import { useNetwork } from '../sync/network'
import { useOutbox } from '../sync/outbox'

/** So long an entry may be on its way before that is said. */
const unansweredMs = 5_000

/**
 * What could not be sent, and whether there is a line: nothing while all is well. It is said as soon as the browser says so, a request is
 * refused, or an entry has no answer for five seconds.
 */
export function useLineSaying(): readonly Saying[] {
  const { pending, line: known, isServerTroubled } = useOutbox()
  const isOff = useNetwork((network) => network.isGone)
  const isUnanswered = useUnanswered(pending[0]?.id)
  const line = known === 'fine' && isOff ? 'offline' : known
  const isUrgent = pending.some(({ kind }) => findEventKind(kind)?.isUrgent)
  const said = (rank: Saying['rank'], tone: Saying['tone'], words: string): readonly Saying[] => [{ key: 'line', rank, tone, words }]
  if (line === 'fine' && isUnanswered)
    return isUrgent
      ? said('not-sent', 'stop', `NOT sent: phone if urgent. ${pending.length} kept here`)
      : said('line', 'caution', `No answer yet; ${pending.length} kept here`)
  if (line === 'fine') return isServerTroubled ? said('line', 'caution', 'The server has trouble') : []
  const why = line === 'offline' ? 'No connection' : 'The server has trouble'
  if (pending.length === 0) return line === 'offline' ? said('line', 'caution', why) : []
  return isUrgent
    ? said('not-sent', 'stop', `NOT sent: phone if urgent. ${pending.length} kept here`)
    : said('line', 'caution', `${why}; ${pending.length} kept here`)
}

/** Whether the entry that is to go first has waited for its answer too long. @param first its id */
function useUnanswered(first: string | undefined): boolean {
  const [late, setLate] = useState<string | null>(null)
  useEffect(() => {
    if (first === undefined) return
    const timer = setTimeout(() => setLate(first), unansweredMs)
    return () => clearTimeout(timer)
  }, [first])
  return first !== undefined && late === first
}

/** The same where another sentence has the strip: its shape is seen all the time, its words are for those who listen. */
export function LineMark({ saying }: { saying: Saying }) {
  return (
    <span role="status" className="inline-flex min-w-9 shrink-0 items-center justify-center text-caution">
      <CloudOff size={20} aria-hidden />
      <span className="sr-only">{saying.words}</span>
    </span>
  )
}

/** A stripe at the edge of the header while entries are on their way: it comes and goes with each of them and moves nothing. */
export function SendingStripe() {
  const isSending = useOutbox((store) => store.line === 'fine' && store.pending.length > 0)
  return (
    <p role="status" className={isSending ? 'absolute inset-x-0 bottom-0 h-[3px] bg-known' : 'sr-only'}>
      {isSending ? <span className="sr-only">Sending…</span> : null}
    </p>
  )
}
