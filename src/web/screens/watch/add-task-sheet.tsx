import { useState } from 'react'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'
import { SheetForm } from '../../parts/sheet-form'
import { missingIn } from '../../parts/required'

const spans: readonly { value: string; label: string }[] = [
  { value: '30', label: '30 min' },
  { value: '60', label: '1 h' },
  { value: '120', label: '2 h' },
  { value: '240', label: '4 h' },
  { value: '480', label: '8 h' },
  { value: '720', label: '12 h' },
  { value: '1440', label: '24 h' },
]

/** Something owed that no plan knows of: what, by when, by whom. */
export function AddTaskSheet({ caseId, now, onClose }: { caseId: string; now: number; onClose: () => void }) {
  const [what, setWhat] = useDraft(`case/${caseId}/add-task`)
  const [who, setWho] = useState('')
  const [span, setSpan] = useState('60')
  const [error, setError] = useState<string>()
  const keep = (): void => {
    const missing = missingIn('add-task', { what })
    if (missing) return setError(missing)
    setWhat('')
    onClose()
    void writeEvent('task-added', { text: what.trim(), dueAt: new Date(now + Number(span) * 60_000).toISOString(), who: who.trim() })
  }
  return (
    <SheetForm title="Something owed" sendLabel="Add it" onSend={keep} onClose={onClose}>
      <TextField label="What" value={what} maxLength={200} error={error} autoFocus onChange={(event) => setWhat(event.target.value)} />
      <ChoiceRow label="Due in" value={span} choices={spans} onChange={setSpan} />
      <TextField label="Who (may stay empty)" value={who} maxLength={80} onChange={(event) => setWho(event.target.value)} />
    </SheetForm>
  )
}
