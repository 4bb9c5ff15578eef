import { useState } from 'react'
import type { StandingCall } from '#core/model/standing'
import type { PageRecord } from '#contract/records/page'
import { Button } from '../parts/button'
import { Dialog } from '../parts/dialog'
import { formatClock, formatSpan } from '../parts/format-time'
import { TextField } from '../parts/text-field'
import { PageList } from './page-list'
import { writeEvent } from '../sync/case-store'
import { useDraft } from '../sync/use-draft'
import { useNow } from '../sync/use-now'

/** The one call of a case: who was called, reached or not, and how long nobody has answered. */
export function CallLine({ call, pages }: { call: StandingCall; pages: readonly PageRecord[] }) {
  const [isOpen, setOpen] = useState(false)
  const now = useNow(5_000)
  const waited = Math.max(0, Math.floor((now - call.sinceMs) / 60_000))
  return (
    <div className="grid gap-2 rounded-2xl bg-sheet p-3">
      {call.answered ? (
        <p className="font-semibold">
          Answered {formatClock(call.answered.atMs)}, {call.answered.to}{' '}
          <span className="font-normal text-soft">reached by {call.answered.by}</span>
          {call.answered.said ? <span className="block font-normal">“{call.answered.said}”</span> : null}
        </p>
      ) : (
        <p className="font-bold text-stop">Not answered, {formatSpan(waited)}</p>
      )}
      <PageList pages={pages.filter((page) => Date.parse(page.at) >= call.sinceMs)} />
      {call.missed.length > 0 ? (
        <p className="text-sm text-soft">Not reached: {call.missed.map((one) => `${one.to} ${formatClock(one.atMs)}`).join(', ')}</p>
      ) : null}
      <div>
        <Button onClick={() => setOpen(true)}>{call.answered ? 'Call again' : 'Record the call'}</Button>
      </div>
      {isOpen ? <CallSheet onClose={() => setOpen(false)} /> : null}
    </div>
  )
}

function CallSheet({ onClose }: { onClose: () => void }) {
  const [to, setTo] = useDraft('call/to')
  const [said, setSaid] = useDraft('call/said')
  const [error, setError] = useState<string>()
  const keep = (isReached: boolean): void => {
    if (to.trim().length < 2) return setError('Who is missing: name the person who was called.')
    void writeEvent('call', { to: to.trim(), isReached, said: said.trim() })
    setTo('')
    setSaid('')
    onClose()
  }
  return (
    <Dialog title="Who was called?" isOpen onClose={onClose}>
      <div className="grid gap-4">
        <TextField
          label="Name and role"
          value={to}
          maxLength={120}
          error={error}
          onChange={(event) => setTo(event.target.value)}
          autoFocus
        />
        <TextField label="What was said" value={said} maxLength={500} onChange={(event) => setSaid(event.target.value)} />
        <div className="flex flex-wrap gap-3">
          <Button look="next" onClick={() => keep(true)}>
            Reached
          </Button>
          <Button onClick={() => keep(false)}>Not reached</Button>
        </div>
      </div>
    </Dialog>
  )
}
