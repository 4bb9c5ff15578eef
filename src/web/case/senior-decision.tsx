import { useState } from 'react'
import type { StandingItem } from '#core/model/standing'
import { readItemId } from '#core/rounds/item-ids'
import { hasRight } from '#contract/rights'
import { Button } from '../parts/button'
import { ChoiceRow, ChoiceSet } from '../parts/choice-row'
import { SheetForm } from '../parts/sheet-form'
import { TextField } from '../parts/text-field'
import { writeEvent } from '../sync/case-store'
import { usePerson } from '../sync/session-store'
import { useDraft } from '../sync/use-draft'

/** What a senior decided about the urgent findings that stay: said once for all that it is about. */
export function SeniorDecision({ items }: { items: readonly StandingItem[] }) {
  const [isOpen, setOpen] = useState(false)
  const open = items.filter((item) => item.level === 'urgent' && item.state === 'open' && readItemId(item.id) !== null)
  if (open.length === 0) return null
  return (
    <>
      <div>
        <Button look="quiet" className="-ml-5" onClick={() => setOpen(true)}>
          A senior decided
        </Button>
      </div>
      {isOpen ? <DecisionSheet items={open} onClose={() => setOpen(false)} /> : null}
    </>
  )
}

function DecisionSheet({ items, onClose }: { items: readonly StandingItem[]; onClose: () => void }) {
  const person = usePerson()
  // Whoever may decide is most often the one who did: another name is typed over it.
  const [typedBy, setBy] = useDraft('decision/by')
  const [isTyped, setTyped] = useState(false)
  const by = typedBy !== '' || isTyped ? typedBy : hasRight(person.roles, 'decide') ? person.name : ''
  const [what, setWhat] = useDraft('decision/what')
  const [forMin, setForMin] = useState('30')
  const [about, setAbout] = useState<readonly string[]>(items.map((item) => item.id))
  const [error, setError] = useState<string>()
  const keep = (): void => {
    if (by.trim().length < 2) return setError('Who is missing: name the senior who decided.')
    if (about.length === 0) return setError('What it is about is missing: tick at least one finding.')
    if (what.trim().length < 3) return setError('What is missing: say what was decided.')
    for (const item of items) {
      const target = about.includes(item.id) ? readItemId(item.id) : null
      if (target) void writeEvent('senior-decision', { by: by.trim(), ...target, what: what.trim(), forMin: Number(forMin) })
    }
    setBy('')
    setWhat('')
    onClose()
  }
  return (
    <SheetForm title="What a senior decided" sendLabel="Record the decision" backLabel="Back" onSend={keep} onClose={onClose}>
      {items.length === 1 ? <p className="font-semibold">{items[0]?.text}</p> : null}
      {items.length > 1 ? (
        <ChoiceSet label="About" values={about} choices={items.map((item) => ({ value: item.id, label: item.text }))} onChange={setAbout} />
      ) : null}
      <p>It stays urgent, and comes back at the end of this time, or at once when it gets worse.</p>
      <TextField
        label="Senior, by name"
        value={by}
        maxLength={120}
        onChange={(event) => {
          setTyped(true)
          setBy(event.target.value)
        }}
      />
      <TextField
        label="What was decided"
        value={what}
        maxLength={300}
        error={error}
        autoFocus
        onChange={(event) => setWhat(event.target.value)}
      />
      <ChoiceRow
        label="Holds for"
        value={forMin}
        choices={[
          { value: '30', label: '30 min' },
          { value: '60', label: '1 h' },
          { value: '120', label: '2 h' },
          { value: '240', label: '4 h' },
        ]}
        onChange={setForMin}
      />
    </SheetForm>
  )
}
