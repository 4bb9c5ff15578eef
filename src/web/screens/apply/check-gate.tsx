import { useEffect, useState } from 'react'
import { findTechnique } from '#core/techniques/registry'
import { judgeCaseRounds } from '#contract/views/case-progress'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { comparedWords, RoundEntry } from '../../round/round-entry'
import { VerdictPanel } from '../../round/verdict-panel'
import { writeEvent, type OpenCase } from '../../sync/case-store'

/** The check that a step asks for: recorded here before the step can be confirmed. */
export function CheckGate({
  open,
  isBaseline,
  since,
  onChecked,
}: {
  open: OpenCase
  isBaseline: boolean
  since: string
  onChecked: (isChecked: boolean) => void
}) {
  const [isOpen, setOpen] = useState(false)
  const { record, episode } = open
  const technique = findTechnique(record.technique)
  const injury = episode.injuries[record.injuryId]
  const judged = judgeCaseRounds(record, episode, technique?.onUrgent.device ?? 'shell')
  const found = isBaseline
    ? judged.find((one) => one.round.isBaseline)
    : judged.findLast((one) => !one.round.isBaseline && Date.parse(one.round.at) >= Date.parse(since))
  const isChecked = found !== undefined
  useEffect(() => onChecked(isChecked), [isChecked, onChecked])
  if (found) return <VerdictPanel verdict={found.verdict} device={technique?.onUrgent.actions ?? []} />
  return (
    <>
      <div>
        <Button onClick={() => setOpen(true)}>{isBaseline ? 'Record the baseline' : 'Record the check'}</Button>
      </div>
      {injury ? (
        <Dialog
          isWide
          title={isBaseline ? `Baseline, ${comparedWords(injury)}` : 'Check after application'}
          isOpen={isOpen}
          onClose={() => setOpen(false)}
        >
          <RoundEntry
            injury={injury}
            isBaseline={isBaseline}
            cases={[record.id]}
            draftKey={`case/${record.id}/${isBaseline ? 'baseline' : 'after-check'}`}
            submitLabel="Keep it"
            onSubmit={(body) => {
              setOpen(false)
              void writeEvent('round', body)
            }}
          />
        </Dialog>
      ) : null}
    </>
  )
}
