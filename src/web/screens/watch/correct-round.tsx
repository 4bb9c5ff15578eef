import { useState } from 'react'
import { watchedOf } from '#core/model/observation'
import type { RoundBody } from '#contract/events/rounds/round'
import type { EpisodeRecord, InjuryRecord, RoundOutcome, RoundRecord } from '#contract/records/episode'
import { notDoneChoices, type StaysDue } from '../../case/run/not-done-sheet'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Dialog } from '../../parts/dialog'
import { Form } from '../../parts/form'
import { formatDayAndClock } from '../../parts/format-time'
import { TextField } from '../../parts/text-field'
import { formEntriesOf } from '../../round/last-entries'
import { RoundEntry } from '../../round/round-entry'
import { writeEvent } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'
import { missingIn } from '../../parts/required'

/** A round put right, with why: what was entered first stays readable and counts no longer. */
export function CorrectRound({
  round,
  injury,
  episode,
  onClose,
}: {
  round: RoundRecord
  injury: InjuryRecord
  episode: EpisodeRecord
  onClose: () => void
}) {
  const [why, setWhy] = useDraft(`round/${round.id}/why`)
  const [error, setError] = useState<string>()
  const [outcome, setOutcome] = useState<RoundOutcome>(round.outcome)
  const watched = watchedOf(injury.region ?? undefined)
  const missingWhy = (): string | null => {
    const fault = missingIn('correct-round', { why })
    setError(fault ?? undefined)
    return fault
  }
  const putRight = (body: RoundBody): void => {
    setWhy('')
    onClose()
    void writeEvent('round', { ...body, corrects: { round: round.id, why: why.trim() } })
  }
  const wasDone = round.outcome === 'done'
  return (
    <Dialog
      title={`Put right: the round of ${formatDayAndClock(Date.parse(round.at))}`}
      isWhole={outcome === 'done'}
      isOpen
      onClose={onClose}
    >
      <div className="grid gap-4">
        <TextField
          label="What was wrong with it"
          value={why}
          maxLength={300}
          onChange={(event) => setWhy(event.target.value)}
          error={error}
          hint="What was entered first stays readable. A finding that was really there is not put right: do another round."
        />
        {wasDone ? null : (
          <ChoiceRow
            label="What happened"
            value={outcome}
            choices={[{ value: 'done', label: 'It was done' }, ...notDoneChoices]}
            onChange={setOutcome}
          />
        )}
        {outcome === 'done' ? (
          <RoundEntry
            injury={injury}
            episode={episode}
            isTimed
            isBaseline={round.isBaseline}
            cases={round.cases}
            draftKey={`round/${round.id}/corrected`}
            initial={wasDone ? formEntriesOf(round.findings, watched === 'neck' || watched === 'spine') : {}}
            submitLabel="Put it right"
            refuses={missingWhy}
            onSubmit={putRight}
          />
        ) : (
          <NotDoneRight
            round={round}
            outcome={outcome}
            onSend={(reason) => {
              if (missingWhy() === null)
                putRight({ cases: round.cases, isBaseline: round.isBaseline, outcome, reason, findings: { limbs: [] } })
            }}
          />
        )}
      </div>
    </Dialog>
  )
}

/** Why it was not done, as it really was. */
function NotDoneRight({ round, outcome, onSend }: { round: RoundRecord; outcome: StaysDue; onSend: (reason: string) => void }) {
  const [reason, setReason] = useState(round.reason)
  const [error, setError] = useState<string>()
  const send = (): void => {
    const missing = missingIn('not-done', { outcome, why: reason })
    if (missing) return setError(missing)
    setError(undefined)
    onSend(reason.trim())
  }
  return (
    <Form onSend={send}>
      <TextField
        label="Reason"
        value={reason}
        maxLength={300}
        onChange={(event) => setReason(event.target.value)}
        error={error}
        hint={outcome === round.outcome ? 'It stays due.' : 'It stays due; what was entered first stays readable.'}
      />
      <Button type="submit" look="next" className="justify-self-end">
        Put it right
      </Button>
    </Form>
  )
}
