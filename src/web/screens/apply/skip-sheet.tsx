import { useState } from 'react'
import type { Step } from '#core/plan/plan'
import { useDraft } from '../../hooks/use-draft'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { TextField } from '../../parts/text-field'

/** Passing a step by: allowed, with the reason kept and the mistake it prevents in sight. */
export function SkipSheet({
  caseId,
  step,
  onClose,
  onSkip,
}: {
  caseId: string
  step: Step
  onClose: () => void
  onSkip: (reason: string) => void
}) {
  const [reason, setReason] = useDraft(`case/${caseId}/skip/${step.id}`)
  const [error, setError] = useState<string>()
  const submit = (): void => {
    if (reason.trim().length < 3) return setError('A reason is missing: say in a few words why this step is passed by.')
    setReason('')
    onSkip(reason.trim())
  }
  return (
    <Dialog title="Skip this step?" isOpen onClose={onClose}>
      <p className="mb-4">It prevents: {step.prevents}</p>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          submit()
        }}
        className="grid gap-4"
      >
        <TextField label="Reason" value={reason} onChange={(event) => setReason(event.target.value)} error={error} autoFocus />
        <div className="flex gap-3">
          <Button type="submit" look="next">
            Skip it
          </Button>
          <Button onClick={onClose}>Go back to it</Button>
        </div>
      </form>
    </Dialog>
  )
}
