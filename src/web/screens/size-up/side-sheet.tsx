import type { CaseRecord } from '#contract/records/case'
import type { InjuryRecord } from '#contract/records/episode'
import { placeWords } from '#contract/records/side-change'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { writeEvent } from '../../sync/case-store'

/** Another side, region or pattern after both were read aloud: in words, with a reason, never by one tap. */
export function SideSheet({
  record,
  before,
  after,
  onClose,
}: {
  record: CaseRecord
  before: InjuryRecord
  after: InjuryRecord
  onClose: () => void
}) {
  const [from, to] = [placeWords(before), placeWords(after)]
  const isOn = record.appliedAt !== null && record.removedAt === null
  return (
    <ReasonSheet
      title={isOn ? 'Is the device on the wrong side?' : 'Change what was read aloud?'}
      draftKey={`case/${record.id}/side`}
      submitLabel={`It is ${to}`}
      backLabel={`It stays ${from}`}
      hint="Acceptance ends, the run is held, and identity and side are read aloud again."
      onClose={onClose}
      onReason={(reason) => {
        onClose()
        void writeEvent('injury', { injuryId: record.injuryId, injury: after, reason })
      }}
    >
      <p className="text-lg font-semibold">
        {from} <span aria-label="becomes">→</span> {to}
      </p>
      {isOn ? <p className="mt-1 font-semibold text-stop">The device is on: this alarms.</p> : null}
    </ReasonSheet>
  )
}
