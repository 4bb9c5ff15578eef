import { useState } from 'react'
import type { DecisionValue } from '#core/plan/decision'
import { parseReading } from '#core/quantities/parse-reading'
import { toCm } from '#core/quantities/length'
import { useDraft } from '../hooks/use-draft'
import { Button } from './button'
import { Dialog } from './dialog'
import { TextField } from './text-field'

/**
 * Another value in place of a computed one, or a caution set aside: a reason is required and kept.
 * @param unit unit of the value; null for words
 */
export function OverruleSheet({
  title,
  draftKey,
  current,
  unit,
  wantsValue,
  onClose,
  onSave,
}: {
  title: string
  draftKey: string
  current: DecisionValue
  unit: string | null
  wantsValue: boolean
  onClose: () => void
  onSave: (value: DecisionValue, reason: string) => void
}) {
  const [text, setText] = useDraft(`${draftKey}/value`)
  const [reason, setReason] = useDraft(`${draftKey}/reason`)
  const [errors, setErrors] = useState<{ value?: string; reason?: string }>({})
  const submit = (): void => {
    const value = wantsValue ? readValue(text, current, unit) : null
    const next = {
      ...(value && 'error' in value ? { value: value.error } : {}),
      ...(reason.trim().length < 3 ? { reason: 'A reason is missing: say in a few words why. It is kept with the number.' } : {}),
    }
    setErrors(next)
    if (next.value || next.reason) return
    setText('')
    setReason('')
    onSave(value && 'value' in value ? value.value : null, reason.trim())
  }
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          submit()
        }}
        className="grid gap-4"
      >
        {wantsValue ? (
          <TextField
            label={`Your value${unit ? ` (${unit})` : ''}`}
            value={text}
            onChange={(event) => setText(event.target.value)}
            error={errors.value}
            inputMode={typeof current === 'number' ? 'decimal' : 'text'}
            autoFocus
          />
        ) : null}
        <TextField
          label="Reason"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          error={errors.reason}
          hint="Both values and this reason stay visible from now on."
          autoFocus={!wantsValue}
        />
        <div className="flex gap-3">
          <Button type="submit" look="next">
            Keep it
          </Button>
          <Button onClick={onClose}>Leave as it is</Button>
        </div>
      </form>
    </Dialog>
  )
}

function readValue(text: string, current: DecisionValue, unit: string | null): { value: DecisionValue } | { error: string } {
  if (typeof current !== 'number') return text.trim() ? { value: text.trim() } : { error: 'The value is missing: type it.' }
  const parsed = parseReading(text)
  if (!parsed.ok) return { error: parsed.message }
  if (parsed.value < 0) return { error: 'The value must not be below 0: check the figure.' }
  return { value: unit === 'cm' && parsed.unit ? toCm(parsed.value, parsed.unit) : parsed.value }
}
