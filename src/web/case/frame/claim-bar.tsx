import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import { hasRight, isPairedDevice } from '#contract/rights'
import { Button } from '../../parts/button'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { ReasonSheet } from '../run/reason-sheet'

/** Above every stage of a stay that somebody without an account began: on which device, who answers for it, and the way to do so. */
export function ClaimBar({ open }: { open: OpenCase }) {
  const moment = useMoment()
  const [isOpen, setOpen] = useState(false)
  const { roles } = usePerson()
  const { unattributed } = open.episode
  // On the device itself a line above every screen says so.
  if (!unattributed || isPairedDevice(roles)) return null
  const { claimed, name } = unattributed
  if (claimed)
    return (
      <p className="border-b border-line bg-well px-3 py-1.5 text-center text-sm sm:px-6">
        Begun by {name}; claimed by <strong>{claimed.by}</strong>, {moment(Date.parse(claimed.at))}: {claimed.words}
      </p>
    )
  return (
    <section aria-label="Not claimed" className="border-b border-caution bg-caution-wash">
      <div className="mx-auto flex max-w-7xl flex-wrap items-center gap-x-5 gap-y-2 px-3 py-2 sm:px-6">
        <p className="min-w-0 flex-1">
          <strong>Nobody answers for this yet.</strong> It was begun by {name}.
        </p>
        {hasRight(roles, 'decide') ? <Button onClick={() => setOpen(true)}>Claim it</Button> : null}
      </div>
      {isOpen ? (
        <ReasonSheet
          title="You answer for this stay"
          draftKey={`episode/${open.episode.id}/claimed`}
          submitLabel="Claim it"
          backLabel="Not mine"
          label="Who was there"
          hint="For example: I splinted it with the student, who held the knee."
          form="claim"
          onClose={() => setOpen(false)}
          onReason={(words) => {
            setOpen(false)
            void writeEvent('claimed', { words })
          }}
        >
          <p>Read the entries first. What {name} wrote stays under that name; your name stands beside it.</p>
        </ReasonSheet>
      ) : null}
    </section>
  )
}
