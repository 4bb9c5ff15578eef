import { useState } from 'react'
import { watchedOf } from '#core/model/observation'
import type { EpisodeRecord, InjuryRecord, RoundRecord } from '#contract/records/episode'
import { Dialog } from '../../parts/dialog'
import { formatDayAndClock } from '../../parts/format-time'
import { TextField } from '../../parts/text-field'
import { formEntriesOf } from '../../round/last-entries'
import { RoundEntry } from '../../round/round-entry'
import { writeEvent } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'

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
  const watched = watchedOf(injury.region ?? undefined)
  return (
    <Dialog title={`Put right: the round of ${formatDayAndClock(Date.parse(round.at))}`} isWhole isOpen onClose={onClose}>
      <div className="grid gap-4">
        <TextField
          label="What was wrong with it"
          value={why}
          maxLength={300}
          onChange={(event) => setWhy(event.target.value)}
          error={error}
          hint="What was entered first stays readable. A finding that was really there is not put right: do another round."
        />
        <RoundEntry
          injury={injury}
          episode={episode}
          isTimed
          isBaseline={round.isBaseline}
          cases={round.cases}
          draftKey={`round/${round.id}/corrected`}
          initial={formEntriesOf(round.findings, watched === 'neck' || watched === 'spine')}
          submitLabel="Put it right"
          refuses={() => {
            const fault = why.trim().length < 3 ? 'Why is missing: say in a few words what was wrong.' : undefined
            setError(fault)
            return fault ?? null
          }}
          onSubmit={(body) => {
            setWhy('')
            onClose()
            void writeEvent('round', { ...body, corrects: { round: round.id, why: why.trim() } })
          }}
        />
      </div>
    </Dialog>
  )
}
