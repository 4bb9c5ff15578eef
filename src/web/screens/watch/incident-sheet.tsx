import { useState } from 'react'
import type { CaseRecord } from '#contract/records/case'
import { sideLines } from '#ward/case/side-lines'
import { harms, harmWords, type IncidentBody } from '#contract/records/incident'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'
import { SheetForm } from '../../parts/sheet-form'
import { missingIn } from '../../parts/required'

/** What went wrong with a device, for others to know: what, how much harm, which lot. */
export function IncidentSheet({ record, onClose }: { record: CaseRecord; onClose: () => void }) {
  const [draft, setDraft] = useDraft(`case/${record.id}/incident`)
  // A wrong side is told already: whoever reports it adds what the record cannot know.
  const told = sideLines(record)
    .map((sideLine) => sideLine.text)
    .join('. ')
  const fields = (draft ? JSON.parse(draft) : told ? { what: `${told}.` } : {}) as Partial<IncidentBody>
  const set = (change: Partial<IncidentBody>): void => {
    setError(null)
    setDraft(JSON.stringify({ ...fields, ...change }))
  }
  const [error, setError] = useState<string | null>(null)
  const keep = (): void => {
    const what = fields.what?.trim() ?? ''
    const missing = missingIn('incident', { what, harm: fields.harm })
    if (missing || !fields.harm) return setError(missing)
    setDraft('')
    void writeEvent('incident', { what, harm: fields.harm, lot: fields.lot?.trim() ?? '' })
    onClose()
  }
  return (
    <SheetForm
      title="Report an incident"
      error={error}
      sendLabel="Keep the report"
      backLabel="Leave as it is"
      onSend={keep}
      onClose={onClose}
    >
      <TextField
        label="What happened, and what was done"
        value={fields.what ?? ''}
        maxLength={2_000}
        onChange={(event) => set({ what: event.target.value })}
        autoFocus
      />
      <ChoiceRow
        label="Harm"
        value={fields.harm ?? null}
        choices={harms.map((value) => ({ value, label: harmWords[value] }))}
        onChange={(harm) => set({ harm })}
      />
      <TextField
        label="Lot of the device or material"
        value={fields.lot ?? ''}
        maxLength={40}
        hint="As it is printed on it; may stay empty. By it others who have the lot are found."
        onChange={(event) => set({ lot: event.target.value })}
      />
    </SheetForm>
  )
}
