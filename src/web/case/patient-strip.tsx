import { MapPin, Plus } from 'lucide-react'
import { useState } from 'react'
import { useLocation } from 'react-router'
import { flagLabel } from '#core/model/flag-words'
import { spoken } from '#core/model/vocabulary'
import { isPlaced } from '#contract/views/is-placed'
import { patientLabel } from '#contract/records/episode'
import type { OpenCase } from '../sync/case-store'
import { DeviceSheet } from './device-sheet'
import { MoveSheet } from './move-sheet'
import { StandingChip } from './standing-chip'
import { TroubleButton } from './trouble-button'

/** Who, which side, what makes this patient different, and the way to say that something is wrong: above every stage. */
export function PatientStrip({ open }: { open: OpenCase }) {
  const { record, episode } = open
  const injury = episode.injuries[record.injuryId]
  const flags = [...episode.flags, ...(injury?.flags ?? []).filter((flag) => flag !== 'fresh')]
  const { patient } = episode
  // While it is sized up the line beside Measure says what the plan brings, and comes and goes without moving the page; what was found stands here.
  const isSizedUp = useLocation().pathname.endsWith('/size-up') && record.appliedAt === null && record.runs.length === 0
  const [isMoving, setMoving] = useState(false)
  const [isAdding, setAdding] = useState(false)
  const facts = [
    patient.ageYears === null ? '' : `${patient.isAgeEstimated ? 'about ' : ''}${patient.ageYears} y`,
    patient.massKg === null ? '' : `${patient.isMassEstimated ? 'about ' : ''}${patient.massKg} kg`,
  ].filter(Boolean)
  return (
    <section aria-label="Patient" className="border-b border-line bg-sheet">
      <div className="mx-auto flex max-w-7xl flex-wrap items-center gap-x-4 gap-y-1 px-3 py-1.5 sm:px-6">
        <p className="text-[1.08rem] font-bold">{patientLabel(episode)}</p>
        {injury && isPlaced(injury) ? (
          <p className="shrink-0 rounded-lg bg-ink px-2.5 py-0.5 font-bold text-paper">
            {[injury.side?.toUpperCase(), spoken(injury.region ?? '')].filter(Boolean).join(' ')}
          </p>
        ) : (
          <p className="shrink-0 rounded-lg border border-dashed border-caution px-2.5 py-0.5 font-semibold text-caution">side not set</p>
        )}
        {facts.length > 0 ? <p className="shrink-0 text-soft">{facts.join(' · ')}</p> : null}
        <button
          type="button"
          aria-label={`${episode.place}: move`}
          onClick={() => setMoving(true)}
          className="inline-flex min-h-11 shrink-0 items-center gap-1.5 rounded-xl px-2 font-semibold underline decoration-line underline-offset-4"
        >
          <MapPin size={17} aria-hidden />
          {episode.place}
        </button>
        {/* Two lines of them are as high as the buttons beside: one more or less moves nothing below. */}
        {flags.length > 0 ? (
          <ul aria-label="Flags" className="flex min-w-0 flex-wrap gap-1 lg:max-w-[22rem]">
            {flags.map((flag) => (
              <li key={flag} className="rounded-md bg-caution-wash px-2 text-sm leading-6 font-semibold text-caution">
                {flagLabel(flag)}
              </li>
            ))}
          </ul>
        ) : null}
        {episode.confidential ? (
          <p className="shrink-0 rounded-lg border border-line px-2 text-sm leading-6 font-semibold">Confidential</p>
        ) : null}
        <StandingChip open={open} withoutPlan={isSizedUp} />
        <span className="ml-auto flex flex-wrap items-center justify-end gap-x-2 lg:shrink-0">
          <button
            type="button"
            aria-label="Another device"
            onClick={() => setAdding(true)}
            className="inline-flex min-h-11 items-center gap-1 rounded-xl px-2 font-semibold underline decoration-line underline-offset-4"
          >
            <Plus size={17} aria-hidden />
            <span className="sm:hidden">Device</span>
            <span className="max-sm:hidden">Another device</span>
          </button>
          <TroubleButton open={open} />
        </span>
      </div>
      {isMoving ? <MoveSheet open={open} onClose={() => setMoving(false)} /> : null}
      {isAdding ? <DeviceSheet open={open} onClose={() => setAdding(false)} /> : null}
    </section>
  )
}
