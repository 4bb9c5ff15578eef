import { useCallback, useState } from 'react'
import type { Measurement } from '#core/model/clinical-case'
import type { Side } from '#core/model/vocabulary'
import { formatLength } from '#core/planner/format-decision'
import { protocolOf } from '#contract/records/case'
import { Button } from '../../parts/button'
import { InstrumentPanel } from '../../case/readings/instrument-panel'
import { useOpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import type { AskedReading } from './asked-readings'
import { PhotoPath } from '../../photo/photo-path'

/** Other ways to take the reading: the digital tape, a photo with a scale bar, or by eye where there is no tape. */
export function ReadingTools({
  place,
  side,
  isByEye,
  onByEye,
  onTake,
}: {
  place: AskedReading
  side: Side | null
  isByEye: boolean
  onByEye: (isByEye: boolean) => void
  onTake: (reading: Measurement) => void
}) {
  const [isPhotoOpen, setPhotoOpen] = useState(false)
  const { record } = useOpenCase()
  const { definition } = place
  const { units } = useSettings()
  const take = (value: number, tool: 'digital-tape' | 'photo', planeCm?: number): void =>
    onTake({
      id: definition.id,
      value: Math.round(value * 10) / 10,
      unit: 'cm',
      tool,
      typed: '',
      posture: definition.posture,
      ...(definition.takenFor ? { takenFor: definition.takenFor } : {}),
      ...(side ? { side } : {}),
      ...(planeCm === undefined ? {} : { planeCm }),
    })
  // The panel takes a reading when the tape's button is pressed: the function must stay the same between renders.
  // oxlint-disable-next-line react/exhaustive-deps
  const takeTape = useCallback((cm: number) => take(cm, 'digital-tape'), [definition.id, side])
  if (definition.kind === 'count') return null
  return (
    <div className="flex flex-wrap items-start gap-3">
      <InstrumentPanel id="tape" name="tape" format={(cm) => formatLength(cm, units)} onTake={takeTape} />
      <Button aria-pressed={isByEye} onClick={() => onByEye(!isByEye)}>
        No tape: by eye
      </Button>
      {definition.kind === 'length' ? <Button onClick={() => setPhotoOpen(true)}>From a photo</Button> : null}
      {isByEye ? (
        <p className="basis-full text-soft">
          Judge it against your own body: a hand, a span, your forearm. It counts as an estimate until it is measured. Fingers: type 3 fw.
        </p>
      ) : null}
      {isPhotoOpen ? (
        <PhotoPath
          label={definition.label}
          protocol={protocolOf(record)}
          onClose={() => setPhotoOpen(false)}
          onTake={(cm, planeCm) => {
            setPhotoOpen(false)
            take(cm, 'photo', planeCm)
          }}
        />
      ) : null}
    </div>
  )
}
