import { useState, type ReactNode } from 'react'
import { useDraft } from '../../hooks/use-draft'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { TextField } from '../../parts/text-field'

/** Leaving the procedure: allowed, with the reason kept and the mistake in sight. */
export function ReasonSheet({
  title,
  draftKey,
  submitLabel,
  backLabel,
  children,
  onClose,
  onReason,
}: {
  title: string
  draftKey: string
  submitLabel: string
  backLabel: string
  children: ReactNode
  onClose: () => void
  onReason: (reason: string) => void
}) {
  const [reason, setReason] = useDraft(draftKey)
  const [error, setError] = useState<string>()
  const submit = (): void => {
    if (reason.trim().length < 3) return setError('A reason is missing: say in a few words why.')
    setReason('')
    onReason(reason.trim())
  }
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <div className="mb-4">{children}</div>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          submit()
        }}
        className="grid gap-4"
      >
        <TextField
          label="Reason"
          value={reason}
          maxLength={300}
          onChange={(event) => setReason(event.target.value)}
          error={error}
          autoFocus
        />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="next">
            {submitLabel}
          </Button>
          <Button onClick={onClose}>{backLabel}</Button>
        </div>
      </form>
    </Dialog>
  )
}
