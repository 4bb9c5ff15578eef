import { useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import { mayBeginWithoutPlan } from '#contract/rights'
import { ReasonSheet } from './reason-sheet'
import { usePlan } from './use-plan'
import { Button } from '../parts/button'
import { writeEvent, type OpenCase } from '../sync/case-store'
import { usePerson } from '../sync/session-store'
import { tabId } from '../sync/tab-id'

/** Beginning before a plan was accepted: a clinician's decision, with its reason, that stands until there is a plan. */
export function BeginWithout({ open }: { open: OpenCase }) {
  const [isAsked, setAsked] = useState(false)
  const plan = usePlan(open)
  const person = usePerson()
  const navigate = useNavigate()
  if (!mayBeginWithoutPlan(person.roles)) return null
  return (
    <>
      <Button onClick={() => setAsked(true)}>Begin without a plan</Button>
      {isAsked ? (
        <ReasonSheet
          title="Begin without an accepted plan?"
          draftKey={`case/${open.record.id}/begin-without`}
          submitLabel="Begin"
          backLabel="Back"
          hint="It is recorded, and stands on the Board until a plan is accepted."
          onClose={() => setAsked(false)}
          onReason={(reason) => {
            const runId = uuidv7()
            setAsked(false)
            void writeEvent('run-started', { runId, device: tabId(), plan: { ...plan, pending: [] }, withoutPlan: reason })
            void navigate(`/case/${open.record.id}/apply`)
          }}
        />
      ) : null}
    </>
  )
}
