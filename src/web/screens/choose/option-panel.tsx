import { useWords } from '../../sync/use-words'
import { useId, useState } from 'react'
import type { Plan } from '#core/model/plan'
import { optionValues, type TechniqueOption } from '#core/planner/technique'
import { findTechnique } from '#core/techniques/registry'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { toClinicalCase } from '#ward/case/clinical-case'
import { Button } from '../../parts/button'
import { FigureOption } from './figure-option'
import { SchoolCompare } from './school-compare'

/** The schools to choose between, each with who prefers it and why: those that are not as usual here first, the rest under one line. */
export function OptionPanel({
  record,
  episode,
  plan,
  onSave,
}: {
  record: CaseRecord
  episode: EpisodeRecord
  plan: Plan
  onSave: (options: CaseRecord['options']) => void
}) {
  const technique = findTechnique(record.technique)
  const protocol = protocolOf(record)
  const clinicalCase = toClinicalCase(record, episode)
  const save = (id: string, value: string | number): void => onSave({ ...record.options, [id]: value })
  const shown = (technique?.options ?? []).filter(
    (option) => !option.figure || plan.options['ankle'] === 'as-ordered' || record.options[option.id] !== undefined,
  )
  // What somebody has to say, or said otherwise than it is usual here; an ordered figure always.
  const isSpecial = (option: TechniqueOption): boolean => {
    const usual = option.default(clinicalCase, protocol)
    return option.figure !== undefined || usual === 'ask' || usual !== plan.options[option.id]
  }
  const special = shown.filter(isSpecial)
  const usual = shown.filter((option) => !isSpecial(option))
  const fields = (options: readonly TechniqueOption[]): React.ReactNode => (
    <div className="grid gap-5">
      {options.map((option) =>
        option.figure ? (
          <FigureOption
            key={option.id}
            caseId={record.id}
            option={option}
            value={record.options[option.id]}
            onSave={(value) => save(option.id, value)}
          />
        ) : (
          <SchoolOption key={option.id} option={option} record={record} plan={plan} onSave={(value) => save(option.id, value)} />
        ),
      )}
    </div>
  )
  if (shown.length === 0) return null
  return (
    <section aria-labelledby="schools" className="grid content-start gap-3">
      <h2 id="schools" className="font-bold">
        How it is done here
      </h2>
      {special.length > 0 ? fields(special) : null}
      {usual.length > 0 ? (
        <details className="rounded-2xl border border-line px-4">
          <summary className="min-h-12 content-center py-2 leading-snug">
            <span className="font-semibold">{special.length > 0 ? 'The rest as usual here:' : 'All as usual here:'}</span>{' '}
            <span className="text-soft">{usual.map((option) => usualWords(option, plan, record)).join(', ')}</span>
          </summary>
          <div className="pb-4">{fields(usual)}</div>
        </details>
      ) : null}
    </section>
  )
}

/** "toe end at the toe crease": which option, and what is done. */
function usualWords(option: TechniqueOption, plan: Plan, record: CaseRecord): string {
  const value = optionValues(option, protocolOf(record)).find((optionValue) => optionValue.id === plan.options[option.id])
  return `${option.label.toLowerCase()} ${value?.label.toLowerCase() ?? 'not set'}`
}

function SchoolOption({
  option,
  record,
  plan,
  onSave,
}: {
  option: TechniqueOption
  record: CaseRecord
  plan: Plan
  onSave: (value: string) => void
}) {
  const say = useWords()
  const id = useId()
  const [isComparing, setComparing] = useState(false)
  const values = optionValues(option, protocolOf(record))
  const value = String(plan.options[option.id] ?? '')
  return (
    <fieldset className="min-w-0">
      <legend className="mb-1.5 flex w-full items-center gap-3 font-semibold">
        {option.label}
        {values.length > 1 && values.some((one) => one.id === value) ? (
          <Button look="quiet" aria-label={`Compare: ${option.label}`} className="min-h-11 px-2" onClick={() => setComparing(true)}>
            Compare
          </Button>
        ) : null}
      </legend>
      <div role="radiogroup" aria-label={option.label} className="grid gap-1.5 sm:grid-cols-2">
        {values.map((one) => (
          <label
            key={one.id}
            htmlFor={`${id}-${one.id}`}
            className={`grid min-h-12 cursor-pointer grid-cols-[auto_1fr] items-center gap-x-3 rounded-xl border-[1.5px] px-3.5 py-1.5 leading-tight has-focus-visible:outline-3 has-focus-visible:outline-citrus-deep ${one.id === value ? 'border-ink' : 'border-line bg-sheet'}`}
          >
            <input
              id={`${id}-${one.id}`}
              type="radio"
              name={id}
              checked={one.id === value}
              onChange={() => onSave(one.id)}
              className="size-5 accent-ink"
              aria-describedby={`${id}-${one.id}-why`}
              aria-label={one.label}
            />
            <span>
              <span className={one.id === value ? 'font-bold' : ''}>{one.label}</span>
              <span id={`${id}-${one.id}-why`} className="block text-sm text-soft">
                {say(one.why)}
              </span>
            </span>
          </label>
        ))}
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
    </fieldset>
  )
}
