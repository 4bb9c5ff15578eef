import { useId, useState } from 'react'
import type { Plan } from '#core/model/plan'
import { findTechnique } from '#core/techniques/registry'
import { optionValues, type OptionValue, type TechniqueOption } from '#core/planner/technique'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import { SchoolCompare } from './school-compare'

/** The schools to choose between, each with who prefers it and why. */
export function OptionPanel({
  record,
  plan,
  onSave,
}: {
  record: CaseRecord
  plan: Plan
  onSave: (options: CaseRecord['options']) => void
}) {
  const technique = findTechnique(record.technique)
  const save = (id: string, value: string | number): void => onSave({ ...record.options, [id]: value })
  return (
    <section aria-labelledby="schools" className="grid content-start gap-3">
      <h2 id="schools" className="font-bold">
        How it is done here
      </h2>
      <div className="grid gap-2.5">
        {technique?.options.map((option) =>
          option.figure ? (
            plan.options['ankle'] === 'as-ordered' || record.options[option.id] !== undefined ? (
              <FigureOption
                key={option.id}
                caseId={record.id}
                option={option}
                value={record.options[option.id]}
                onSave={(value) => save(option.id, value)}
              />
            ) : null
          ) : (
            <SchoolOption
              key={option.id}
              option={option}
              values={optionValues(option, protocolOf(record))}
              plan={plan}
              onSave={(value) => save(option.id, value)}
            />
          ),
        )}
      </div>
    </section>
  )
}

function SchoolOption({
  option,
  values,
  plan,
  onSave,
}: {
  option: TechniqueOption
  values: readonly OptionValue[]
  plan: Plan
  onSave: (value: string) => void
}) {
  const id = useId()
  const [isComparing, setComparing] = useState(false)
  const value = String(plan.options[option.id] ?? '')
  const chosen = values.find((one) => one.id === value)
  return (
    <div className="grid grid-cols-[7.5rem_1fr] items-start gap-x-3">
      <label htmlFor={id} className="pt-2.5 font-semibold">
        {option.label}
      </label>
      <div>
        <div className="flex gap-2">
          <select id={id} value={value} onChange={(event) => onSave(event.target.value)} className="field-box min-h-11 py-1.5">
            {chosen ? null : <option value="">Choose…</option>}
            {values.map((one) => (
              <option key={one.id} value={one.id}>
                {one.label}
              </option>
            ))}
          </select>
          {chosen && values.length > 1 ? (
            <Button look="quiet" aria-label={`Compare: ${option.label}`} className="min-h-11 px-2" onClick={() => setComparing(true)}>
              Compare
            </Button>
          ) : null}
        </div>
        {chosen ? <p className="mt-0.5 text-sm text-soft">{chosen.why}</p> : null}
      </div>
      {isComparing ? (
        <SchoolCompare
          plan={plan}
          optionId={option.id}
          label={option.label}
          value={value}
          values={values}
          onTake={(next) => {
            setComparing(false)
            onSave(next)
          }}
          onClose={() => setComparing(false)}
        />
      ) : null}
    </div>
  )
}

function FigureOption({
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
    <form
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
    >
      <TextField
        label={`${option.label}, ${figure.unit}`}
        inputMode="decimal"
        value={draft || String(value ?? '')}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={keep}
        error={error}
        hint={isUsable ? figure.describe(typed) : '90 is square'}
      />
    </form>
  )
}
