import { useId } from 'react'
import { optionValues, type Technique, type TechniqueOption } from '#core/planner/technique'
import { techniques } from '#core/techniques/registry'
import type { Protocol } from '#core/quantities/defaults'
import type { ProtocolForm } from './protocol-form'

/** What a patient decides, and not the place: it has no local default. */
const patients: readonly string[] = ['position', 'weight', 'spine-below']

/** Which school counts here where nobody chose another, technique by technique. */
export function SchoolList({
  form,
  protocol,
  onChange,
}: {
  form: ProtocolForm
  protocol: Protocol
  onChange: (form: ProtocolForm) => void
}) {
  return (
    <div className="grid gap-3">
      <p className="text-soft">What counts here where nobody chooses otherwise for a patient.</p>
      {techniques.map((technique) => {
        const options = technique.options.filter((option) => !option.figure && !patients.includes(option.id) && isOwn(technique, option))
        const set = options.filter((option) => form.options[`${technique.id}/${option.id}`])
        if (options.length === 0) return null
        return (
          <details key={technique.id} className="rounded-2xl border border-line bg-sheet px-4 py-2" open={set.length > 0}>
            <summary className="min-h-11 cursor-pointer content-center font-bold">
              {technique.name}{' '}
              <span className="ml-2 font-normal text-soft">{set.length === 0 ? 'as shipped' : `${set.length} set here`}</span>
            </summary>
            <div className="grid gap-2 pb-2">
              {options.map((option) => (
                <SchoolField
                  key={option.id}
                  technique={technique}
                  option={option}
                  protocol={protocol}
                  value={form.options[`${technique.id}/${option.id}`] ?? ''}
                  onChange={(value) => onChange({ ...form, options: { ...form.options, [`${technique.id}/${option.id}`]: value } })}
                />
              ))}
            </div>
          </details>
        )
      })}
    </div>
  )
}

/** An option that several techniques share stands with the one that keeps it. */
function isOwn(technique: Technique, option: TechniqueOption): boolean {
  return option.protocolKey === undefined || option.protocolKey === `${technique.id}/${option.id}`
}

function SchoolField({
  technique,
  option,
  protocol,
  value,
  onChange,
}: {
  technique: Technique
  option: TechniqueOption
  protocol: Protocol
  value: string
  onChange: (value: string) => void
}) {
  const id = useId()
  const values = optionValues(option, protocol)
  const chosen = values.find((one) => one.id === value)
  return (
    <div className="grid items-center gap-x-3 sm:grid-cols-[11rem_1fr]">
      <label htmlFor={id} className="font-semibold">
        {option.label}
        <span className="sr-only"> of {technique.name}</span>
      </label>
      <select id={id} value={value} className="field-box" onChange={(event) => onChange(event.target.value)}>
        <option value="">As shipped</option>
        {values.map((one) => (
          <option key={one.id} value={one.id}>
            {one.label}
          </option>
        ))}
      </select>
      {chosen ? <p className="text-sm text-soft sm:col-start-2">{chosen.why}</p> : null}
    </div>
  )
}
