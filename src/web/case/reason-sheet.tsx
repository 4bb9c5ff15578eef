import { useState, type ReactNode } from 'react'
import { useDraft } from '../sync/use-draft'
import { Button } from '../parts/button'
import { Dialog } from '../parts/dialog'
import { TextField } from '../parts/text-field'

/** Something that is allowed, and whose reason is kept. */
export function ReasonSheet({
  title,
  draftKey,
  submitLabel,
  backLabel,
  children,
  hint,
  label = 'Reason',
  missing = 'A reason is missing: say in a few words why.',
  onClose,
  onReason,
}: {
  title: string
  draftKey: string
  submitLabel: string
  backLabel: string
  children?: ReactNode
  hint?: string
  label?: string
  /** What is said where too little is written. */
  missing?: string
  onClose: () => void
  onReason: (reason: string) => void
}) {
  const [reason, setReason] = useDraft(draftKey)
  const [error, setError] = useState<string>()
  const submit = (): void => {
    if (reason.trim().length < 3) return setError(missing)
    setReason('')
    onReason(reason.trim())
  }
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      {children ? <div className="mb-4">{children}</div> : null}
      <form
        onSubmit={(event) => {
          event.preventDefault()
          submit()
        }}
        className="grid gap-4"
      >
        <TextField
          label={label}
          value={reason}
          maxLength={300}
          onChange={(event) => setReason(event.target.value)}
          error={error}
          hint={hint}
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
