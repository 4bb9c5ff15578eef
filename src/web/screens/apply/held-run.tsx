import { spoken } from '#core/model/vocabulary'
import { countingRuns } from '#contract/records/run-kind'
import { doubtedSide, type SideState } from '#ward/case/side-state'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { Identifiers } from './identifiers'
import { SideQuestion } from './side-question'
import { SideToChange } from './side-to-change'
import { SlipUndo } from './slip-undo'
import { TakeOff } from './take-off'

/** A run that is held because its side was changed or doubted: one thing to do at a time, until both are read aloud again. */
export function HeldRun({ open, state }: { open: OpenCase; state: Exclude<SideState, 'settled'> }) {
  if (state === 'where') return <SideQuestion open={open} />
  if (state === 'off') return <TakeOff open={open} />
  if (state === 'change') return <SideToChange open={open} />
  return <ReadAgain open={open} />
}

function ReadAgain({ open }: { open: OpenCase }) {
  const { record, episode } = open
  const injury = episode.injuries[record.injuryId]
  const change = record.sideChange && !record.sideChange.checked ? record.sideChange : null
  const words = [injury?.side?.toUpperCase(), injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' ')
  const goesOn = countingRuns(record).length > 0
  return (
    <main id="main" className="mx-auto grid w-full max-w-2xl flex-1 content-start gap-4 p-4 sm:p-6">
      <h1 className="text-xl font-bold">The run is held</h1>
      <SlipUndo open={open} />
      <Notice
        tone="stop"
        lead={change ? `${change.from} → ${change.to}` : (doubtedSide(record)?.label ?? 'The side was doubted')}
        role="alert"
      >
        {change ? `${change.reason}. ${change.by} changed it. ` : ''}
        {goesOn
          ? 'Nothing goes on until both are read aloud again.'
          : `Everything begins again on the ${words}: plan, baseline, every step.`}
      </Notice>
      <Identifiers open={open} />
      <Button look="next" className="min-h-16 text-lg" onClick={() => void writeEvent('identity-checked', { words })}>
        Read aloud and confirmed: {words}
      </Button>
    </main>
  )
}
