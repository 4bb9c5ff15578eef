import { useState } from 'react'
import { Hand } from 'lucide-react'
import { handWords } from '#core/runs/grips'
import type { Geometry } from '#core/model/geometry'
import type { HandGrip } from '#core/model/step'
import type { CaseRecord } from '#contract/records/case'
import type { HandOverBody, RunRecord } from '#contract/records/run'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { SheetForm } from '../../parts/sheet-form'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { nameAt } from '../../case/run/run-state'
import { missingIn } from '../../parts/required'

/** Whose hands the step needs, with names; a hold can be handed over in mid-run. */
export function HandChips({
  record,
  run,
  places,
  body,
}: {
  record: CaseRecord
  run: RunRecord
  places: readonly HandGrip[]
  body: Geometry['body']
}) {
  const [handed, setHanded] = useState<HandGrip | null>(null)
  return (
    <p className="flex flex-wrap gap-2">
      {places.map((place) => {
        const name = nameAt(record.crew, place)
        const words = handWords(place, body)
        return (
          <button
            key={place}
            type="button"
            onClick={() => setHanded(place)}
            aria-label={`Hand over: ${name ? `${words}, ${name}` : words}`}
            className="inline-flex min-h-11 items-center gap-1.5 rounded-xl bg-well px-3 font-semibold"
          >
            <Hand size={17} aria-hidden />
            {words}
            {name ? <span className="font-bold">· {name}</span> : null}
          </button>
        )
      })}
      {handed ? (
        <HandOverSheet
          words={handWords(handed, body)}
          from={nameAt(record.crew, handed) ?? ''}
          draftKey={`run/${run.id}/hand-over`}
          others={(record.crew ?? []).map((member) => member.name)}
          onClose={() => setHanded(null)}
          onTaken={(to) => {
            void writeEvent('hand-over', {
              runId: run.id,
              place: handed,
              from: nameAt(record.crew, handed) ?? '',
              to,
            } satisfies HandOverBody)
            setHanded(null)
          }}
        />
      ) : null}
    </p>
  )
}

function HandOverSheet({
  words,
  from,
  draftKey,
  others,
  onClose,
  onTaken,
}: {
  words: string
  from: string
  draftKey: string
  others: readonly string[]
  onClose: () => void
  onTaken: (to: string) => void
}) {
  const [to, setTo] = useDraft(draftKey)
  const [error, setError] = useState<string>()
  return (
    <SheetForm
      title="Hand over"
      sendLabel="“I have it” was said"
      backLabel="Not handed over"
      onSend={() => {
        const missing = missingIn('hand-over-hold', { to })
        if (missing) return setError(missing)
        setTo('')
        onTaken(to.trim())
      }}
      onClose={onClose}
    >
      <p>
        {words}
        {from ? `, now ${from}` : ''}. The one who takes it has both hands in place and says: &ldquo;I have it.&rdquo; Only then does the
        other let go.
      </p>
      <TextField label="Taken by" value={to} maxLength={60} onChange={(event) => setTo(event.target.value)} error={error} autoFocus />
      <p className="flex flex-wrap gap-2">
        {others
          .filter((name) => name !== from)
          .map((name) => (
            <Button key={name} onClick={() => setTo(name)}>
              {name}
            </Button>
          ))}
      </p>
    </SheetForm>
  )
}
