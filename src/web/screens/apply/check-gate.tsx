import { isBareLimb } from '#ward/case/is-bare-limb'
import { useEffect, useState } from 'react'
import { standCaseRounds } from '#ward/rounds/case-rounds'
import { CaseRound } from '../../case/run/case-round'
import { StandingPanel } from '../../case/standing/standing-panel'
import { useStanding } from '../../case/standing/use-standing'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { comparedWords } from '../../round/round-entry'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'

/** The check that a step asks for: recorded here before the step can be confirmed. */
export function CheckGate({
  open,
  isBaseline,
  since,
  onChecked,
}: {
  open: OpenCase
  isBaseline: boolean
  /** Milliseconds since the epoch: what was checked before does not count. */
  since: number
  onChecked: (isChecked: boolean) => void
}) {
  const [isOpen, setOpen] = useState(false)
  const { record, episode } = open
  const standing = useStanding(open)
  const injury = episode.injuries[record.injuryId]
  const { judged } = standCaseRounds(record, episode, serverNow())
  // Begun again on the right limb, what was found before the wrong one is no look at it: the baseline stays, and it is looked at anew.
  const againMs = Math.max(-Infinity, ...record.runs.flatMap((run) => (run.wrongSide ? [Date.parse(run.wrongSide.at)] : [])))
  const isAgain =
    isBaseline && againMs > -Infinity && judged.some((round) => round.round.isBaseline && Date.parse(round.round.at) < againMs)
  const isFirst = isBaseline && !isAgain
  const fromMs = isAgain ? againMs : since
  const found = isFirst
    ? judged.find((round) => round.round.isBaseline)
    : judged.findLast((round) => !round.round.isBaseline && Date.parse(round.round.at) >= fromMs)
  const isChecked = found !== undefined
  useEffect(() => onChecked(isChecked), [isChecked, onChecked])
  if (found) return <StandingPanel open={open} standing={standing} isBedsideOnly />
  return (
    <>
      <div>
        <Button look="next" onClick={() => setOpen(true)}>
          {isFirst ? 'Record the baseline' : 'Record the check'}
        </Button>
      </div>
      {injury ? (
        <Dialog
          isWhole
          title={isBaseline ? `${isAgain ? 'Looked at again' : 'Baseline'}, ${comparedWords(injury)}` : 'Check after application'}
          isOpen={isOpen}
          onClose={() => setOpen(false)}
        >
          <CaseRound
            isTimed
            open={open}
            isBaseline={isFirst}
            isBare={isFirst && isBareLimb(record)}
            draftKey={`case/${record.id}/${isBaseline ? 'baseline' : 'after-check'}`}
            submitLabel={isFirst ? 'Record the baseline' : 'Judge this round'}
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
