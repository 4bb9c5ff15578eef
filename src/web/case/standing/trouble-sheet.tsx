import { useState } from 'react'
import { useNavigate } from 'react-router'
import { troublesOf, wrongSideId } from '#core/techniques/shared/any-troubles'
import { orderTroubles } from '#core/standing/trouble-target'
import { isColumnRegion } from '#core/model/vocabulary'
import { watchedOf } from '#core/model/observation'
import { findTechnique } from '#core/techniques/registry'
import type { Trouble } from '#core/model/trouble'
import type { TroubleBody } from '#contract/records/run'
import { isFreeingRun } from '#contract/records/run-kind'
import { slipMs } from '#contract/records/side'
import { useDraft } from '../../sync/use-draft'
import { useNow } from '../../sync/use-now'
import { ActionList } from './action-list'
import { endClocks } from './end-clocks'
import { NotMoulded } from '../run/not-moulded'
import { useOpenNow, type OpenNow } from './use-open-now'
import { useStanding } from './use-standing'
import { Button, ButtonLink } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { ToneShape } from '../../parts/tone-shape'
import { TextField } from '../../parts/text-field'
import { caseInHand, writeEvent, type OpenCase } from '../../sync/case-store'
import { Form } from '../../parts/form'

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
    if (run && trouble.endsClocks) endClocks(run, trouble.endsClocks, caseInHand()?.record.troubles?.at(-1)?.id)
  }
  if (chosen)
    return <TroubleCard open={open} trouble={chosen} isThroughLock={isThroughLock} onBack={() => setChosen(null)} onClose={onClose} />
  const watched = watchedOf(open.episode.injuries[record.injuryId]?.region ?? undefined)
  const troubles = orderTroubles(troublesOf(technique?.troubles ?? []), watched)
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

/** Whether the steps of a trouble say how the one answer is done here; of other dangers they would be a second answer. */
function isDetailed({ danger }: Trouble): boolean {
  return danger === 'point' || danger === 'pull-lost'
}

/** Neck and trunk have no side. */
function isColumnCase({ record, episode }: OpenCase): boolean {
  const region = episode.injuries[record.injuryId]?.region
  return region !== null && region !== undefined && isColumnRegion(region)
}

/** Whether the run in question has ended: what goes wrong then belongs to the case. */
function isOver({ record }: OpenCase): boolean {
  const run = record.runs.at(-1)
  return run === undefined || (record.appliedAt !== null && !isFreeingRun(run))
}

/** Whether what to do is what stands: an urgent danger has one list, here as on every other screen. */
function isAnsweredByStanding({ level, danger }: Trouble): boolean {
  return level === 'urgent' && danger !== 'own'
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
  const standing = useStanding(open)
  const opening = useOpenNow(open)
  const navigate = useNavigate()
  const run = record.runs.at(-1)
  const keep = (): void => {
    if (note.trim()) void writeEvent('note', { text: `${trouble.label}: ${note.trim()}` })
    setNote('')
    onClose()
  }
  const byStanding = isAnsweredByStanding(trouble) && standing.level === 'urgent'
  return (
    <Dialog title={trouble.label} isOpen onClose={onClose}>
      {trouble.endsClocks && run ? <NotMoulded open={open} run={run} /> : null}
      {byStanding ? (
        <>
          <ActionList open={open} standing={standing} opening={isThroughLock ? null : closing(opening, onClose)} />
          {isDetailed(trouble) ? (
            <details className="mt-3">
              <summary className="min-h-12 cursor-pointer content-center font-semibold">How, with what is on here</summary>
              <ul className="list-disc pl-5">
                {trouble.actions.map((action) => (
                  <li key={action}>{action}</li>
                ))}
              </ul>
            </details>
          ) : null}
        </>
      ) : (
        <ol className="grid gap-3">
          {trouble.actions.map((action, index) => (
            <li key={action} className="flex gap-3 text-[1.2rem] leading-snug font-semibold">
              <span className="numeral grid size-9 shrink-0 place-items-center rounded-full bg-ink text-paper">{index + 1}</span>
              <span className="pt-1">{action}</span>
            </li>
          ))}
        </ol>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {trouble.id === wrongSideId && !isThroughLock ? (
          <Button
            look="next"
            className="min-h-16 text-lg"
            onClick={() => {
              onClose()
              void navigate(`/case/${record.id}/apply`)
            }}
          >
            {isColumnCase(open) ? 'Say where it is' : 'Say which limb it is on'}
          </Button>
        ) : null}
        <SlipOfTrouble open={open} troubleId={trouble.id} onUndone={onClose} />
      </div>
      <p role="status" className="mt-4 text-sm text-soft">
        Recorded with its time. Local policy and the licensed clinician come first.
      </p>
      <Form onSend={keep} className="mt-4 grid gap-3">
        <TextField label="What was found, what was done" value={note} maxLength={1800} onChange={(event) => setNote(event.target.value)} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look={byStanding || trouble.id === wrongSideId ? 'plain' : 'next'}>
            {note.trim() ? 'Keep and go on' : 'Go on'}
          </Button>
          {record.appliedAt && !isThroughLock ? <ButtonLink to={`/case/${record.id}/watch`}>Record a round</ButtonLink> : null}
          <Button onClick={onBack}>Something else</Button>
        </div>
      </Form>
    </Dialog>
  )
}

/** Opening at once leads to Apply, and the sheet goes away. */
function closing(opening: OpenNow | null, onClose: () => void): OpenNow | null {
  return (
    opening && {
      ...opening,
      begin: () => {
        onClose()
        opening.begin()
      },
    }
  )
}

/** For ten seconds a trouble that was pressed by mistake is taken back: it is kept as a slip, and nothing stands of it. */
function SlipOfTrouble({ open, troubleId, onUndone }: { open: OpenCase; troubleId: string; onUndone: () => void }) {
  const now = useNow(500)
  const last = open.record.troubles?.findLast((trouble) => trouble.troubleId === troubleId && !trouble.ended)
  const leftMs = last ? Date.parse(last.at) + slipMs - now : 0
  const event = last?.id
  if (!event || leftMs <= 0) return null
  return (
    <Button
      onClick={() => {
        void writeEvent('trouble-ended', { troubleEvent: event, word: 'pressed by mistake', isSlip: true })
        onUndone()
      }}
    >
      Pressed by mistake: undo, {Math.ceil(leftMs / 1000)} s
    </Button>
  )
}
