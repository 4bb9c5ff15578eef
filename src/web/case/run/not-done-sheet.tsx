import { useState } from 'react'
import type { TaskOutcome } from '#contract/records/task'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Dialog } from '../../parts/dialog'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

type NotDone = Exclude<TaskOutcome, 'done'>
export type StaysDue = Exclude<NotDone, 'not-needed'>
export const notDoneChoices: readonly { value: StaysDue; label: string }[] = [
  { value: 'asleep', label: 'Asleep' },
  { value: 'refused', label: 'Refused' },
  { value: 'off-ward', label: 'Off the ward' },
  { value: 'not-done', label: 'Not done' },
]

/** Why what was due was not done; it stays due, unless it is no longer needed, where that can be said. */
export function NotDoneSheet<End extends boolean = false>({
  title,
  draftKey,
  canEnd,
  onWake,
  onClose,
  onSave,
}: {
  title: string
  draftKey: string
  canEnd?: End
  /** Given where the limb is at risk: goes to the look itself instead of leaving the patient asleep. */
  onWake?: () => void
  onClose: () => void
  onSave: (outcome: End extends true ? NotDone : StaysDue, reason: string) => void
}) {
  const [reason, setReason] = useDraft(draftKey)
  const [outcome, setOutcome] = useState<NotDone | null>(null)
  const [error, setError] = useState<string>()
  /** Asleep says why by itself; where the limb is at risk it is asked first whether to wake. */
  const choose = (next: NotDone): void => {
    setOutcome(next)
    if (next !== 'asleep' || onWake) return
    setReason('')
    onSave(next, reason.trim().length < 3 ? 'asleep' : reason.trim())
  }
  const submit = (): void => {
    const missing = outcome === 'asleep' ? null : missingIn('not-done', { outcome, why: reason })
    if (missing || !outcome) return setError(missing ?? undefined)
    setReason('')
    // 'not-needed' is offered only where the work can be ended.
    onSave(outcome as End extends true ? NotDone : StaysDue, reason.trim().length < 3 ? 'asleep' : reason.trim())
  }
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <Form onSend={submit}>
        <ChoiceRow
          label="What happened"
          value={outcome}
          choices={canEnd ? [...notDoneChoices, { value: 'not-needed', label: 'No longer needed' }] : notDoneChoices}
          onChange={choose}
        />
        {outcome === 'asleep' && onWake ? (
          <Notice tone="caution" lead="At risk: wake the patient and look." role="alert">
            Sleep hides pain and a lost pulse. Twice in a row is a review.
            <Button look="next" className="mt-2" onClick={onWake}>
              Wake, and look now
            </Button>
          </Notice>
        ) : null}
        <TextField
          label={outcome === 'asleep' ? 'Reason, if you like' : 'Reason'}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          error={error}
          hint={outcome === 'not-needed' ? 'It is owed no more.' : 'It stays due.'}
        />
        <Button type="submit" look={outcome === 'asleep' && onWake ? 'plain' : 'next'}>
          {outcome === 'asleep' && onWake ? 'Leave asleep, it stays due' : 'Record it'}
        </Button>
      </Form>
    </Dialog>
  )
}
