import { useState } from 'react'
import { calledWords } from '#contract/records/page'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { formatClock, formatSpan } from '../../parts/format-time'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'
import { useNow } from '../../sync/use-now'
import { PageList } from '../frame/page-list'
import type { Calling } from './use-calling'
import { missingIn } from '../../parts/required'

/**
 * The call, where it is asked for: pressed, it pages at once; it says who was paged and what came back, and is done by whoever answered, by
 * somebody who is here, or by the name of whoever was reached by telephone.
 */
export function CallAct({ calling, isNext }: { calling: Calling; isNext: boolean }) {
  const { call, pages, isOnItsWay, next, isByTelephone } = calling
  const [isTelling, setTelling] = useState(false)
  const waited = Math.max(0, Math.floor((useNow(5_000) - call.sinceMs) / 60_000))
  const last = pages.at(-1)
  return (
    <div className="mt-2 grid gap-1.5 rounded-2xl bg-sheet p-2.5 font-normal">
      {call.answered ? (
        <p className="font-semibold">
          ✓ {call.answered.how === 'bedside' ? 'Here' : 'Answered'} {formatClock(call.answered.atMs)}, {call.answered.to}
          {call.answered.said && call.answered.said !== 'answered the pager' ? (
            <span className="block font-normal">“{call.answered.said}”</span>
          ) : null}
        </p>
      ) : (
        <p className="font-bold text-stop">
          {isByTelephone ? `Telephone: ${calledWords(next)}. ` : ''}
          {isOnItsWay && !isByTelephone ? 'Pressed: the page is going out.' : `Nobody has answered, ${formatSpan(waited)}.`}
        </p>
      )}
      <PageList pages={pages} />
      {call.missed.some((one) => one.by !== 'Pager') ? (
        <p className="text-sm text-soft">
          Not reached:{' '}
          {call.missed
            .filter((one) => one.by !== 'Pager')
            .map((one) => `${one.to} ${formatClock(one.atMs)}`)
            .join(', ')}
        </p>
      ) : null}
      <div className="flex flex-wrap gap-2">
        {isByTelephone ? null : (
          <Button
            look={isNext && !last && !call.answered ? 'next' : 'plain'}
            className={last || call.answered ? 'max-sm:px-3 text-base' : 'min-h-14 text-lg'}
            disabled={isOnItsWay}
            onClick={() => void writeEvent('page-asked', {})}
          >
            {last || call.answered ? `Call ${next.name || next.role} too` : 'Call'}
          </Button>
        )}
        {call.answered?.how === 'bedside' ? null : (
          <Button
            className="max-sm:px-3"
            onClick={() =>
              void writeEvent('call', {
                to: call.answered?.to ?? (last ? calledWords(last) : calledWords(next)),
                isReached: true,
                how: 'bedside',
                said: '',
              })
            }
          >
            They are here
          </Button>
        )}
        <Button
          className="max-sm:px-3"
          look={isByTelephone && isNext && !call.answered ? 'next' : 'plain'}
          onClick={() => setTelling(true)}
        >
          By telephone…
        </Button>
      </div>
      {isTelling ? <CallSheet suggested={calledWords(next)} onClose={() => setTelling(false)} /> : null}
    </div>
  )
}

function CallSheet({ suggested, onClose }: { suggested: string; onClose: () => void }) {
  const [typedTo, setTo] = useDraft('call/to')
  const [isTyped, setTyped] = useState(false)
  const to = typedTo !== '' || isTyped ? typedTo : suggested
  const [said, setSaid] = useDraft('call/said')
  const [error, setError] = useState<string>()
  const keep = (isReached: boolean): void => {
    const missing = missingIn('call', { to })
    if (missing) return setError(`Not recorded. ${missing}`)
    void writeEvent('call', { to: to.trim(), isReached, how: 'telephone', said: said.trim() })
    setTo('')
    setSaid('')
    onClose()
  }
  return (
    <Dialog title="By telephone" isOpen onClose={onClose}>
      <div className="grid gap-4">
        <TextField
          label="Name and role"
          value={to}
          maxLength={120}
          error={error}
          onChange={(event) => {
            setTyped(true)
            setTo(event.target.value)
          }}
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
