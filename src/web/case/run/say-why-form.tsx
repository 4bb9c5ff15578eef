import { useState } from 'react'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { sayWhy } from '../../sync/case-store'
import { missingIn } from '../../parts/required'

const usual = ['I was called to this patient', 'I take this patient over', 'Emergency at the bedside'] as const
const other = 'Another reason'

/** Asks whoever is outside of a patient's care team why they open the record: a tap for what is usual. */
export function SayWhyForm({ caseId, words }: { caseId: string; words: string }) {
  const [choice, setChoice] = useState<string | null>(null)
  const [typed, setTyped] = useState('')
  const [error, setError] = useState<string>()
  const [isSending, setSending] = useState(false)
  const reason = choice === other ? typed.trim() : (choice ?? '')
  const send = async (): Promise<void> => {
    const missing = missingIn('say-why', { why: reason })
    if (missing) return setError(missing)
    setSending(true)
    const refused = await sayWhy(caseId, reason)
    setSending(false)
    setError(refused ?? undefined)
  }
  return (
    <section aria-label="Why you open this record" className="grid gap-4">
      <Notice tone="caution" lead="You are outside this patient’s care team">
        {words}
      </Notice>
      <ChoiceRow
        label="Why"
        value={choice}
        choices={[...usual, other].map((value) => ({ value, label: value }))}
        onChange={(next) => {
          setChoice(next)
          setError(undefined)
        }}
      />
      {choice === other ? (
        <TextField label="In a few words" value={typed} maxLength={200} onChange={(event) => setTyped(event.target.value)} autoFocus />
      ) : null}
      {error ? <Notice tone="stop" lead={error} role="alert" /> : null}
      <div>
        <Button look="next" disabled={isSending} onClick={() => void send()}>
          Open the record
        </Button>
      </div>
    </section>
  )
}
