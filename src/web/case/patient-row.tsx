import { MapPin, Plus } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import { useLocation } from 'react-router'
import { flagLabel } from '#core/model/flag-words'
import { spoken } from '#core/model/vocabulary'
import { isPlaced } from '#contract/views/is-placed'
import { patientLabel } from '#contract/records/episode'
import { Dialog } from '../parts/dialog'
import { useNarrow, useUpright } from '../parts/use-narrow'
import type { OpenCase } from '../sync/case-store'
import { DeviceSheet } from './device-sheet'
import { MoveSheet } from './move-sheet'
import { StageFold } from './stage-fold'
import { StandingChip } from './standing-chip'
import { TroubleButton } from './trouble-button'

/**
 * Who, which side, where, what makes this patient different, and the way to say that something is wrong: in the top row of every stage.
 * @param lock how the screen is locked, where the row has no room for the menu
 */
export function PatientRow({ open, lock }: { open: OpenCase; lock: ReactNode }) {
  const isNarrow = useNarrow()
  const isUpright = useUpright()
  const { pathname } = useLocation()
  const [sheet, setSheet] = useState<'move' | 'device' | 'who' | null>(null)
  const isUnworked = open.record.appliedAt === null && open.record.runs.length === 0
  // While it is sized up the line beside Measure says what the plan brings, and comes and goes without moving the page; what was found stands here.
  const isSizedUp = isUnworked && pathname.endsWith('/size-up')
  // Choose begins with what the plan warns of: said once.
  const isPlanBelow = isSizedUp || pathname.endsWith('/choose')
  // Watch begins with all that stands: said once.
  const isSaidBelow = pathname.endsWith('/watch') && open.record.appliedAt !== null
  const close = (): void => setSheet(null)
  return (
    <section aria-label="Patient" className="flex min-h-14 min-w-0 flex-1 flex-wrap items-center gap-x-3 max-lg:gap-x-1.5 max-sm:gap-x-1">
      {isNarrow ? (
        <>
          <WhoButton open={open} onOpen={() => setSheet('who')} />
          <StageFold open={open} lock={lock} />
        </>
      ) : (
        <>
          <p className="text-[1.08rem] font-bold">{patientLabel(open.episode)}</p>
          <SideTag open={open} />
          <Facts open={open} />
          <PlaceButton open={open} onMove={() => setSheet('move')} />
          <Flags open={open} />
          <DeviceButton onAdd={() => setSheet('device')} className="ml-auto" />
        </>
      )}
      <TroubleButton open={open} isFolded={isUpright} />
      {isSaidBelow ? null : <StandingChip open={open} withoutPlan={isPlanBelow} />}
      <Dialog title={patientLabel(open.episode)} isOpen={sheet === 'who'} onClose={close}>
        <div className="grid justify-items-start gap-3">
          <p className="flex flex-wrap items-center gap-3">
            <SideTag open={open} />
            <Facts open={open} />
          </p>
          <Flags open={open} />
          <PlaceButton open={open} onMove={() => setSheet('move')} />
          <DeviceButton onAdd={() => setSheet('device')} />
        </div>
      </Dialog>
      {sheet === 'move' ? <MoveSheet open={open} onClose={close} /> : null}
      {sheet === 'device' ? <DeviceSheet open={open} onClose={close} /> : null}
    </section>
  )
}

/** Side and region as they are said in the black tag, or null while they are not set. */
function sideWords({ record, episode }: OpenCase): string | null {
  const injury = episode.injuries[record.injuryId]
  if (!injury || !isPlaced(injury)) return null
  return [injury.side?.toUpperCase(), spoken(injury.region ?? '')].filter(Boolean).join(' ')
}

function SideTag({ open }: { open: OpenCase }) {
  const words = sideWords(open)
  return words ? (
    <span className="shrink-0 rounded-lg bg-ink px-2.5 py-0.5 font-bold text-paper">{words}</span>
  ) : (
    <span className="shrink-0 rounded-lg border border-dashed border-caution px-2.5 py-0.5 font-semibold text-caution">side not set</span>
  )
}

function Facts({ open: { episode } }: { open: OpenCase }) {
  const { patient } = episode
  const facts = [
    patient.ageYears === null ? '' : `${patient.isAgeEstimated ? 'about ' : ''}${patient.ageYears} y`,
    patient.massKg === null ? '' : `${patient.isMassEstimated ? 'about ' : ''}${patient.massKg} kg`,
  ].filter(Boolean)
  return facts.length > 0 ? <span className="shrink-0 text-soft">{facts.join(' · ')}</span> : null
}

/** What makes this patient different, as on the stay and on the injury. */
function flagsOf({ record, episode }: OpenCase): readonly string[] {
  const ofInjury = episode.injuries[record.injuryId]?.flags ?? []
  return [...episode.flags, ...ofInjury.filter((flag) => flag !== 'fresh')].map(flagLabel)
}

function Flags({ open }: { open: OpenCase }) {
  const flags = [...flagsOf(open), ...(open.episode.confidential ? ['Confidential'] : [])]
  if (flags.length === 0) return null
  // Two lines of them are as high as the buttons beside: one more or less moves nothing below.
  return (
    <ul aria-label="Flags" className="flex min-w-0 flex-wrap gap-1 lg:max-w-[20rem]">
      {flags.map((flag) => (
        <li
          key={flag}
          className={`rounded-md px-2 text-sm leading-6 font-semibold ${flag === 'Confidential' ? 'bg-well' : 'bg-caution-wash text-caution'}`}
        >
          {flag}
        </li>
      ))}
    </ul>
  )
}

function PlaceButton({ open: { episode }, onMove }: { open: OpenCase; onMove: () => void }) {
  return (
    <button
      type="button"
      aria-label={`${episode.place}: move`}
      onClick={onMove}
      className="inline-flex min-h-11 shrink-0 items-center gap-1.5 rounded-xl px-2 font-semibold max-lg:px-1 underline decoration-line underline-offset-4"
    >
      <MapPin size={17} aria-hidden />
      {episode.place}
    </button>
  )
}

function DeviceButton({ onAdd, className = '' }: { onAdd: () => void; className?: string }) {
  return (
    <button
      type="button"
      aria-label="Another device"
      onClick={onAdd}
      className={`inline-flex min-h-11 items-center gap-1 rounded-xl px-2 font-semibold max-lg:px-1 underline decoration-line underline-offset-4 ${className}`}
    >
      <Plus size={17} aria-hidden />
      <span className="sm:max-2xl:hidden">Another device</span>
      <span className="max-sm:hidden 2xl:hidden">Device</span>
    </button>
  )
}

/** On a phone: name, side and bed in one row of two lines; the rest of it one tap away. */
function WhoButton({ open, onOpen }: { open: OpenCase; onOpen: () => void }) {
  const words = sideWords(open)
  const flags = flagsOf(open).length
  return (
    <button type="button" onClick={onOpen} className="min-h-12 min-w-0 flex-1 rounded-xl px-1 text-left leading-tight">
      <span className="flex items-baseline gap-1.5">
        <span className="truncate font-bold">{patientLabel(open.episode)}</span>
        {flags > 0 ? (
          <span className="shrink-0 rounded-md bg-caution-wash px-1 text-[0.8rem] font-bold text-caution">
            ▲<span className="sr-only"> flags:</span> {flags}
          </span>
        ) : null}
      </span>
      <span className="flex items-center gap-1 text-[0.78rem]">
        <span
          className={`shrink-0 rounded-md px-1 font-bold ${words ? 'bg-ink text-paper' : 'border border-dashed border-caution text-caution'}`}
        >
          {words ?? 'side not set'}
        </span>
        <span className="truncate font-semibold">{open.episode.place}</span>
      </span>
    </button>
  )
}
