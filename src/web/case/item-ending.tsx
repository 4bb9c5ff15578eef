import { useState } from 'react'
import type { StandingItem } from '#core/model/standing'
import { readItemId } from '#core/rounds/item-ids'
import { Button } from '../parts/button'
import { ChoiceRow } from '../parts/choice-row'
import { TextField } from '../parts/text-field'
import { writeEvent, type OpenCase } from '../sync/case-store'
import { useDraft } from '../sync/use-draft'
import { ReadingAnswer } from './reading-answer'
import { ReasonSheet } from './reason-sheet'
import { SheetForm } from '../parts/sheet-form'

/** What a person can say about an item: that a trouble is over, or what a senior decided about an alarm that stays. */
export function ItemEnding({ open, item }: { open: OpenCase; item: StandingItem }) {
  const [sheet, setSheet] = useState<'over' | 'decision' | null>(null)
  const close = (): void => setSheet(null)
  if (item.isEndedByWord) {
    return (
      <>
        <Button className="mt-1" onClick={() => setSheet('over')}>
          It is over
        </Button>
        {sheet === 'over' ? (
          <ReasonSheet
            title={`Over: ${item.text}`}
            draftKey={`case/${open.record.id}/${item.id}`}
            submitLabel="It is over"
            backLabel="It is not over"
            hint="What became of it."
            onClose={close}
            onReason={(word) => {
              close()
              void writeEvent('trouble-ended', { troubleEvent: item.id.replace('trouble/', ''), word })
            }}
          />
        ) : null}
      </>
    )
  }
  if (item.from === 'reading') return <ReadingAnswer caseId={open.record.id} id={item.id} text={item.text} />
  const target = item.level === 'urgent' && item.state === 'open' ? readItemId(item.id) : null
  if (!target) return null
  return (
    <>
      <Button look="quiet" className="-ml-5" onClick={() => setSheet('decision')}>
        A senior decided
      </Button>
      {sheet === 'decision' ? <DecisionSheet target={target} text={item.text} onClose={close} /> : null}
    </>
  )
}

type Target = NonNullable<ReturnType<typeof readItemId>>

function DecisionSheet({ target, text, onClose }: { target: Target; text: string; onClose: () => void }) {
  const [by, setBy] = useDraft('decision/by')
  const [what, setWhat] = useDraft('decision/what')
  const [forMin, setForMin] = useState('30')
  const [error, setError] = useState<string>()
  const keep = (): void => {
    if (by.trim().length < 2) return setError('Who is missing: name the senior who decided.')
    if (what.trim().length < 3) return setError('What is missing: say what was decided.')
    void writeEvent('senior-decision', { by: by.trim(), ...target, what: what.trim(), forMin: Number(forMin) })
    setBy('')
    setWhat('')
    onClose()
  }
  return (
    <SheetForm title="What was decided" sendLabel="Record the decision" backLabel="Back" onSend={keep} onClose={onClose}>
      <p>{text}. It stays urgent, and comes back at the end of this time, or at once when it gets worse.</p>
      <TextField label="Senior, by name" value={by} maxLength={120} onChange={(event) => setBy(event.target.value)} autoFocus />
      <TextField label="What was decided" value={what} maxLength={300} error={error} onChange={(event) => setWhat(event.target.value)} />
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
