import { useState } from 'react'
import type { RoundOutcome } from '#contract/records/episode'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Dialog } from '../../parts/dialog'
import { TextField } from '../../parts/text-field'

type NotDone = Exclude<RoundOutcome, 'done'>
const outcomes: readonly { value: NotDone; label: string }[] = [
  { value: 'asleep', label: 'Asleep' },
  { value: 'refused', label: 'Refused' },
  { value: 'off-ward', label: 'Off the ward' },
  { value: 'not-done', label: 'Not done' },
]

/** Why a due round was not done; it stays due. */
export function NotDoneSheet({
  caseId,
  onClose,
  onSave,
}: {
  caseId: string
  onClose: () => void
  onSave: (outcome: NotDone, reason: string) => void
}) {
  const [reason, setReason] = useDraft(`case/${caseId}/not-done`)
  const [outcome, setOutcome] = useState<NotDone | null>(null)
  const [error, setError] = useState<string>()
  const submit = (): void => {
    if (!outcome) return setError('Choose what happened.')
    if (reason.trim().length < 3) return setError('A reason is missing: say in a few words why the round was not done.')
    setReason('')
    onSave(outcome, reason.trim())
  }
  return (
    <Dialog title="Round not done" isOpen onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          submit()
        }}
        className="grid gap-4"
      >
        <ChoiceRow label="What happened" value={outcome} choices={outcomes} onChange={setOutcome} />
        <TextField
          label="Reason"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          error={error}
          hint="The round stays due."
        />
        <Button type="submit" look="next">
          Keep it
        </Button>
      </form>
    </Dialog>
  )
}
