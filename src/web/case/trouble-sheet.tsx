import { useState } from 'react'
import { anyTroubles } from '#core/techniques/shared/any-troubles'
import { findTechnique } from '#core/techniques/registry'
import type { Trouble } from '#core/model/trouble'
import type { TroubleBody } from '#contract/records/run'
import { useDraft } from '../sync/use-draft'
import { Button, ButtonLink } from '../parts/button'
import { Dialog } from '../parts/dialog'
import { ToneShape } from '../parts/tone-shape'
import { TextField } from '../parts/text-field'
import { writeEvent, type OpenCase } from '../sync/case-store'

/** What can go wrong with this technique, and what to do: chosen, it is recorded with its time at once. */
export function TroubleSheet({ open, isThroughLock, onClose }: { open: OpenCase; isThroughLock: boolean; onClose: () => void }) {
  const { record } = open
  const run = record.runs.at(-1)
  const technique = findTechnique(run?.technique ?? record.technique)
  const [chosen, setChosen] = useState<Trouble | null>(null)
  const choose = (trouble: Trouble): void => {
    setChosen(trouble)
    const lastStep = run?.steps.at(-1)?.stepId ?? null
    void writeEvent('trouble', {
      runId: run && !isOver(open) ? run.id : null,
      stepId: isOver(open) ? null : lastStep,
      troubleId: trouble.id,
      label: trouble.label,
      note: isThroughLock ? 'recorded through the lock' : '',
    } satisfies TroubleBody)
  }
  if (chosen)
    return <TroubleCard open={open} trouble={chosen} isThroughLock={isThroughLock} onBack={() => setChosen(null)} onClose={onClose} />
  const troubles = [...(technique?.troubles ?? []), ...anyTroubles]
  return (
    <Dialog title="What is wrong?" isWide isOpen onClose={onClose}>
      <p className="mb-3 text-soft">Choosing one shows what to do and records it with the time.</p>
      <ul className="grid gap-2 sm:grid-cols-2">
        {troubles.map((trouble) => (
          <li key={trouble.id}>
            <button
              type="button"
              onClick={() => choose(trouble)}
              className={`flex min-h-16 w-full items-center gap-3 rounded-2xl border-[1.5px] px-4 py-2 text-left text-lg font-bold ${trouble.level === 'urgent' ? 'border-stop bg-stop-wash text-stop' : 'border-soft bg-sheet'}`}
            >
              <ToneShape tone={trouble.level === 'urgent' ? 'stop' : 'note'} size={20} />
              {trouble.label}
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  )
}

/** Whether the run in question has ended: what goes wrong then belongs to the case. */
function isOver({ record }: OpenCase): boolean {
  return record.appliedAt !== null && record.runs.at(-1)?.technique === undefined
}

function TroubleCard({
  open,
  trouble,
  isThroughLock,
  onBack,
  onClose,
}: {
  open: OpenCase
  trouble: Trouble
  isThroughLock: boolean
  onBack: () => void
  onClose: () => void
}) {
  const [note, setNote] = useDraft(`case/${open.record.id}/trouble-note`)
  const { record } = open
  const keep = (): void => {
    if (note.trim()) void writeEvent('note', { text: `${trouble.label}: ${note.trim()}` })
    setNote('')
    onClose()
  }
  return (
    <Dialog title={trouble.label} isOpen onClose={onClose}>
      <ol className="grid gap-3">
        {trouble.actions.map((action, index) => (
          <li key={action} className="flex gap-3 text-[1.2rem] leading-snug font-semibold">
            <span className="numeral grid size-9 shrink-0 place-items-center rounded-full bg-ink text-paper">{index + 1}</span>
            <span className="pt-1">{action}</span>
          </li>
        ))}
      </ol>
      <p role="status" className="mt-4 text-sm text-soft">
        Recorded with its time. Local policy and the licensed clinician come first.
      </p>
      <form
        className="mt-4 grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          keep()
        }}
      >
        <TextField label="What was found, what was done" value={note} maxLength={1800} onChange={(event) => setNote(event.target.value)} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="next">
            {note.trim() ? 'Keep and go on' : 'Go on'}
          </Button>
          {record.appliedAt && !isThroughLock ? <ButtonLink to={`/case/${record.id}/watch`}>Record a round</ButtonLink> : null}
          <Button onClick={onBack}>Something else</Button>
        </div>
      </form>
    </Dialog>
  )
}
