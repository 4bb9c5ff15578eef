import { useState } from 'react'
import { catalogue } from '#core/catalogue/catalogue'
import type { Decision, DecisionValue } from '#core/model/decision'
import { describeRange, type DecisionDefinition } from '#core/model/decision-definition'
import { readTypedValue } from '#core/planner/read-typed-value'
import { findTechnique } from '#core/techniques/registry'
import { itemsAtHand } from '#core/planner/usable-overrules'
import { spoken } from '#core/model/vocabulary'
import type { CaseRecord } from '#contract/records/case'
import { useDraft } from '../../sync/use-draft'
import { ChoiceRow } from '../../parts/choice-row'
import { SheetForm } from '../../parts/sheet-form'
import { TextField } from '../../parts/text-field'
import { missingIn } from '../../parts/required'

/** Another value in place of a computed one: within what the decision declares, with a reason that is kept. */
export function OverruleSheet({
  record,
  decision,
  suggested,
  onClose,
  onSave,
}: {
  record: CaseRecord
  decision: Decision
  /** A value that was tried out: it stands in the field until another is typed. */
  suggested: number | undefined
  onClose: () => void
  onSave: (value: NonNullable<DecisionValue>, reason: string) => void
}) {
  const draftKey = `case/${record.id}/overrule/${decision.id}`
  const [typed, setText] = useDraft(`${draftKey}/value`)
  const [isTouched, setTouched] = useState(false)
  const text = typed === '' && !isTouched && suggested !== undefined ? String(suggested) : typed
  const [reason, setReason] = useDraft(`${draftKey}/reason`)
  const [errors, setErrors] = useState<{ value?: string; reason?: string }>({})
  const definition = findTechnique(record.technique)?.decisions.find((one) => one.id === decision.id)
  if (!definition) throw new Error(`${record.technique} has not declared ${decision.id}`)
  const items = itemsAtHand(record.store?.items ?? 'catalogue', catalogue.items)
  const submit = (): void => {
    const read = readTypedValue(text, definition, decision.unit, items)
    const noReason = missingIn('overrule-why', { why: reason })
    const next = {
      ...(read.ok ? {} : { value: read.message }),
      ...(noReason ? { reason: noReason } : {}),
    }
    setErrors(next)
    if (!read.ok || next.reason) return
    setText('')
    setReason('')
    onSave(read.value, reason.trim())
  }
  return (
    <SheetForm
      title={`Overrule: ${decision.label}`}
      sendLabel="Overrule it"
      backLabel="Leave as it is"
      sendLook="plain"
      onSend={submit}
      onClose={onClose}
    >
      <ValueField
        definition={definition}
        decision={decision}
        choices={definition.choices(items)}
        text={text}
        onText={(next) => {
          setTouched(true)
          setText(next)
        }}
        error={errors.value}
      />
      <TextField
        label="Reason"
        value={reason}
        maxLength={500}
        onChange={(event) => setReason(event.target.value)}
        error={errors.reason}
        hint="Both values and this reason stay visible from now on."
      />
    </SheetForm>
  )
}

/** A field for a figure with its range, or the few things that may be chosen. */
function ValueField({
  definition,
  decision,
  choices,
  text,
  onText,
  error,
}: {
  definition: DecisionDefinition
  decision: Decision
  choices: readonly (string | number)[]
  text: string
  onText: (text: string) => void
  error: string | undefined
}) {
  if (definition.kind === 'choice' || definition.kind === 'yes-no') {
    const values = definition.kind === 'choice' ? choices.map(String) : ['yes', 'no']
    const suffix = decision.unit ? ` ${decision.unit}` : ''
    return (
      <div>
        <ChoiceRow
          label="Your value"
          value={text === '' ? null : text}
          choices={values.map((value) => ({ value, label: `${spoken(value)}${suffix}` }))}
          onChange={onText}
        />
        {error ? (
          <p role="alert" className="mt-1 text-sm font-semibold text-stop">
            {error}
          </p>
        ) : null}
      </div>
    )
  }
  const isFigure = definition.kind === 'number' || definition.kind === 'whole'
  return (
    <TextField
      label={`Your value${decision.unit ? ` (${decision.unit})` : ''}`}
      value={text}
      onChange={(event) => onText(event.target.value)}
      error={error}
      hint={definition.kind === 'text' ? undefined : sentenceOf(describeRange(definition, decision.unit))}
      inputMode={isFigure ? 'decimal' : 'text'}
      autoFocus
    />
  )
}

function sentenceOf(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`
}
