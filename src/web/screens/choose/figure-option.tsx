import { useState } from 'react'
import type { TechniqueOption } from '#core/planner/technique'
import { TextField } from '../../parts/text-field'
import { useDraft } from '../../sync/use-draft'
import { Form } from '../../parts/form'

/** A figure that was ordered, with its range and what it means in words. */
export function FigureOption({
  caseId,
  option,
  value,
  onSave,
}: {
  caseId: string
  option: TechniqueOption
  value: string | number | undefined
  onSave: (value: number) => void
}) {
  const [draft, setDraft] = useDraft(`case/${caseId}/option/${option.id}`)
  const [error, setError] = useState<string>()
  const { figure } = option
  if (!figure) return null
  const typed = Number((draft || String(value ?? '')).replace(',', '.'))
  const isUsable = Number.isFinite(typed) && typed >= figure.least && typed <= figure.greatest
  const keep = (): void => {
    if (draft === '') return
    if (!isUsable) return setError(`${option.label} takes a figure from ${figure.least} to ${figure.greatest} ${figure.unit}: check it.`)
    setError(undefined)
    setDraft('')
    onSave(typed)
  }
  return (
    <Form onSend={keep}>
      <TextField
        label={`${option.label}, ${figure.unit}`}
        inputMode="decimal"
        value={draft || String(value ?? '')}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={keep}
        error={error}
        hint={isUsable ? figure.describe(typed) : '90 is square'}
      />
    </Form>
  )
}
