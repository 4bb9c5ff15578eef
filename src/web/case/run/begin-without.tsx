import { useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import { isPairedDevice, mayBeginWithoutPlan } from '#contract/rights'
import { ReasonSheet } from './reason-sheet'
import { usePlan } from '../plan/use-plan'
import { Button } from '../../parts/button'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { tabId } from '../../sync/tab-id'

/** What stands for the reason where nobody with an account is there: a clinician's acceptance is owed from then on. */
const withoutAccount = 'nobody with an account was there, so the plan was taken as it is'

/**
 * Beginning before a plan was accepted. A clinician says why, and it stands until there is a plan; without an account it is one tap, since
 * nobody there could accept one.
 * @param refuses what is missing for it; null where it may be begun
 */
export function BeginWithout({ open, refuses = null }: { open: OpenCase; refuses?: string | null }) {
  const [isAsked, setAsked] = useState(false)
  const plan = usePlan(open)
  const person = usePerson()
  const navigate = useNavigate()
  if (!mayBeginWithoutPlan(person.roles)) return null
  const begin = (reason: string): void => {
    void writeEvent('run-started', { runId: uuidv7(), device: tabId(), plan: { ...plan, pending: [] }, withoutPlan: reason })
    void navigate(`/case/${open.record.id}/apply`)
  }
  if (isPairedDevice(person.roles))
    return (
      <Button look="next" refuses={refuses} onClick={() => begin(withoutAccount)}>
        Begin
      </Button>
    )
  return (
    <>
      <Button refuses={refuses} onClick={() => setAsked(true)}>
        Begin without a plan
      </Button>
      {isAsked ? (
        <ReasonSheet
          title="Begin without an accepted plan?"
          draftKey={`case/${open.record.id}/begin-without`}
          submitLabel="Begin"
          backLabel="Back"
          hint="It is recorded, and stands on the Board until a plan is accepted."
          onClose={() => setAsked(false)}
          onReason={(reason) => {
            setAsked(false)
            begin(reason)
          }}
        />
      ) : null}
    </>
  )
}
