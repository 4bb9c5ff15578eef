import { useState } from 'react'
import { otherSide, spoken } from '#core/model/vocabulary'
import { mayChangeSide } from '#contract/rights'
import { placeWords } from '#contract/records/side-change'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { SlipUndo } from './slip-undo'

/** Who looked says that the record names the wrong limb: a clinician changes it, with a reason. */
export function SideToChange({ open }: { open: OpenCase }) {
  const { record, episode } = open
  const [isAsking, setAsking] = useState(false)
  const mayChange = mayChangeSide(usePerson().roles, record.accepted !== null)
  const before = episode.injuries[record.injuryId]
  if (!before?.side) return null
  const after = { ...before, side: otherSide(before.side) }
  const [from, to] = [placeWords(before), placeWords(after)]
  return (
    <main id="main" className="mx-auto grid w-full max-w-2xl flex-1 content-start gap-4 p-4 sm:p-6">
      <h1 className="text-[1.6rem] leading-tight font-bold">The record names the wrong limb</h1>
      <SlipUndo open={open} />
      <Notice
        tone="stop"
        lead={`The injured one is the ${after.side.toUpperCase()}; the record says ${before.side.toUpperCase()}.`}
        role="alert"
      >
        The side and its plan are a clinician’s. Readings, baseline and plan begin again on the {after.side.toUpperCase()}{' '}
        {before.region ? spoken(before.region) : 'limb'}.
      </Notice>
      {mayChange ? (
        <Button look="next" className="min-h-16 text-lg" onClick={() => setAsking(true)}>
          Change it to {to}
        </Button>
      ) : (
        <p className="text-lg font-semibold">Call a clinician: they change it here or in Size up.</p>
      )}
      {isAsking ? (
        <ReasonSheet
          title={`${from} → ${to}`}
          draftKey={`case/${record.id}/side`}
          submitLabel={`It is ${to}`}
          backLabel={`It stays ${from}`}
          hint="Acceptance ends, and identity and side are read aloud again."
          onClose={() => setAsking(false)}
          onReason={(reason) => {
            setAsking(false)
            void writeEvent('injury', { injuryId: record.injuryId, injury: after, reason })
          }}
        />
      ) : null}
    </main>
  )
}
