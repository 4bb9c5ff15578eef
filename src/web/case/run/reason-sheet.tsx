import { useState, type ReactNode } from 'react'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { SheetForm } from '../../parts/sheet-form'
import { TextField } from '../../parts/text-field'
import { missingIn } from '../../parts/required'

/** Something that is allowed, and whose reason is kept. */
export function ReasonSheet({
  title,
  draftKey,
  submitLabel,
  backLabel,
  children,
  hint,
  label = 'Reason',
  form = 'reason',
  isSafe = false,
  again = null,
  onClose,
  onBack = onClose,
  onReason,
}: {
  title: string
  draftKey: string
  submitLabel: string
  backLabel: string
  children?: ReactNode
  hint?: string
  label?: string
  /** Its row of the table of what forms need. */
  form?: 'reason' | 'claim' | 'put-aside'
  /** It is what is to be done next, and accepts no danger, passes nothing by and ends nothing. */
  isSafe?: boolean
  /** What was said for the like before: it is one tap to say it once more; null where nothing was. */
  again?: string | null
  onClose: () => void
  /** What the way back does, where it does more than close. */
  onBack?: () => void
  onReason: (reason: string) => void
}) {
  const [reason, setReason] = useDraft(draftKey)
  const [error, setError] = useState<string>()
  const submit = (): void => {
    const missing = form === 'claim' ? missingIn(form, { who: reason }) : missingIn(form, { why: reason })
    if (missing) return setError(missing)
    setReason('')
    onReason(reason.trim())
  }
  return (
    <SheetForm
      title={title}
      sendLabel={submitLabel}
      sendLook={isSafe ? 'next' : 'plain'}
      backLabel={backLabel}
      onSend={submit}
      onClose={onClose}
      onBack={onBack}
    >
      {children}
      <TextField
        label={label}
        value={reason}
        maxLength={300}
        onChange={(event) => setReason(event.target.value)}
        error={error}
        hint={hint}
        autoFocus
      />
      {again !== null && reason.trim() === '' ? (
        <Button className="justify-self-start text-left" onClick={() => onReason(again)}>
          As before: “{again}”
        </Button>
      ) : null}
    </SheetForm>
  )
}
