import { useState } from 'react'
import { v7 as uuidv7 } from 'uuid'
import { placeKinds, type PlaceKind } from '#contract/records/store'
import { spoken } from '#core/model/vocabulary'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { openPlace } from '../../sync/stock-store'
import { SheetForm } from '../../parts/sheet-form'
import { missingIn } from '../../parts/required'

/** A further place that keeps stock. */
export function NewPlace({ onClose, onOpened }: { onClose: () => void; onOpened: (id: string) => void }) {
  // The same place however often it is tried.
  const [id] = useState(() => uuidv7())
  const [name, setName] = useState('')
  const [kind, setKind] = useState<PlaceKind>('trolley')
  const [error, setError] = useState<string>()
  const keep = async (): Promise<void> => {
    const missing = missingIn('stock-place', { name })
    if (missing) return setError(missing)
    const outcome = await openPlace(id, name.trim(), kind)
    if (outcome.kind === 'done') onOpened(id)
    else setError(outcome.words)
  }
  return (
    <SheetForm title="A new place for stock" sendLabel="Open it" onSend={() => void keep()} onClose={onClose}>
      <TextField label="Name of the place" value={name} error={error} onChange={(event) => setName(event.target.value)} />
      <ChoiceRow
        label="What it is"
        value={kind}
        choices={placeKinds.map((value) => ({ value, label: spoken(value) }))}
        onChange={setKind}
      />
    </SheetForm>
  )
}
