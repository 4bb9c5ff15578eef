import { useState } from 'react'
import { endingWords } from '#contract/records/ending'
import { hasRight } from '#contract/rights'
import { Button } from '../../parts/button'
import { formatClock, formatDate } from '../../parts/format-time'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { ReasonSheet } from '../run/reason-sheet'

/** Above every stage of a case that has ended: how, when, by whom, what was arranged, and the way to go on after all. */
export function EndedBar({ open }: { open: OpenCase }) {
  const [isOpen, setOpen] = useState(false)
  const { roles } = usePerson()
  const { ended } = open.record
  if (!ended) return null
  const { home } = ended
  return (
    <section aria-label="Ended" className="border-b border-line bg-well">
      <div className="mx-auto flex max-w-7xl items-center gap-x-5 px-3 py-2 sm:px-6">
        <div className="min-w-0 flex-1">
          <p>
            <strong>{endingWords[ended.how]}</strong>, {formatDate(Date.parse(ended.at))} {formatClock(ended.at)}, {ended.by}
            {ended.note ? `: ${ended.note}` : ''}
          </p>
          {home ? (
            <p className="text-sm text-soft">
              Phone {home.phone} · helps: {home.helper} · comes back for: {home.taughtBack} · was given {home.callNumber}
            </p>
          ) : null}
        </div>
        {hasRight(roles, 'decide') ? <Button onClick={() => setOpen(true)}>Reopen</Button> : null}
      </div>
      {isOpen ? (
        <ReasonSheet
          title="The case goes on"
          draftKey={`case/${open.record.id}/reopened`}
          submitLabel="Reopen it"
          backLabel="Leave it ended"
          onClose={() => setOpen(false)}
          onReason={(reason) => {
            setOpen(false)
            void writeEvent('reopened', { reason })
          }}
        />
      ) : null}
    </section>
  )
}
