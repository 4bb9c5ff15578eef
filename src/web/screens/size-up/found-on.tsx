import { useState } from 'react'
import { useNavigate } from 'react-router'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'
import { SheetForm } from '../../parts/sheet-form'
import { isThere, missingWords, requiredIn } from '../../parts/required'

const unknownTime = 'unknown'
const since = [
  { value: '0', label: 'Just now' },
  { value: '30', label: '30 min' },
  { value: '60', label: '1 h' },
  { value: '120', label: '2 h' },
  { value: '360', label: '6 h' },
  { value: '1440', label: '1 day' },
  { value: '4320', label: '3 days' },
  { value: unknownTime, label: 'Not known' },
] as const

/** A device that was on when the patient came: the case goes on at Check with what is known; readings and plan follow. */
export function FoundOn({ record }: { record: CaseRecord }) {
  const [isOpen, setOpen] = useState(false)
  const [what, setWhat] = useDraft(`case/${record.id}/found-on`)
  const [ago, setAgo] = useState<string | null>(null)
  const [errors, setErrors] = useState<{ what?: string; ago?: string }>({})
  const navigate = useNavigate()
  if (record.appliedAt !== null || record.runs.length > 0) return null
  const name = findTechnique(record.technique)?.name ?? record.technique
  const submit = (): void => {
    const { what: needsWhat, since: needsSince } = requiredIn['found-on']
    const faults = {
      ...(isThere(what, needsWhat) ? {} : { what: missingWords(needsWhat) }),
      ...(isThere(ago, needsSince) ? {} : { ago: missingWords(needsSince) }),
    }
    setErrors(faults)
    if (Object.keys(faults).length > 0) return
    setWhat('')
    void writeEvent('applied', { found: { what: what.trim(), minutesAgo: ago === unknownTime ? null : Number(ago) } })
    void navigate(`/case/${record.id}/check`)
  }
  return (
    <div>
      <Button onClick={() => setOpen(true)}>It is already on</Button>
      {isOpen ? (
        <SheetForm title={`${name}: already on`} sendLabel="Check it now" backLabel="Back" onSend={submit} onClose={() => setOpen(false)}>
          <TextField
            label="What is on, and who put it on"
            value={what}
            maxLength={200}
            onChange={(event) => setWhat(event.target.value)}
            error={errors.what}
            hint="Loosen or open it first if it is tight. Readings and plan can follow."
            autoFocus
          />
          <div>
            <ChoiceRow label="On since" value={ago} choices={since} onChange={setAgo} />
            {errors.ago ? (
              <p role="alert" className="mt-1 text-sm font-semibold text-stop">
                {errors.ago}
              </p>
            ) : null}
          </div>
        </SheetForm>
      ) : null}
    </div>
  )
}
