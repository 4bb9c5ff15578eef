import { MapPin, Plus } from 'lucide-react'
import { useState } from 'react'
import { flagLabel } from '#core/model/flag-words'
import { spoken } from '#core/model/vocabulary'
import { isPlaced } from '#ward/case/is-placed'
import { patientLabel } from '#contract/records/episode'
import { Dialog } from '../../parts/dialog'
import { useNarrow, useUpright } from '../../parts/use-narrow'
import type { OpenCase } from '../../sync/case-store'
import { DeviceSheet } from '../plan/device-sheet'
import { MoveSheet } from './move-sheet'
import { nameParts } from './name-parts'
import { TroubleButton } from '../standing/trouble-button'

/**
 * Which side, who, where, what makes this patient different, and the way to say that something is wrong: always in the same place and of one
 * size, on every stage and in every sheet that fills the screen. The rest of it is one tap away.
 */
export function PatientHead({ open }: { open: OpenCase }) {
  const isNarrow = useNarrow()
  const isUpright = useUpright()
  const [sheet, setSheet] = useState<'move' | 'device' | 'who' | null>(null)
  const close = (): void => setSheet(null)
  return (
    <section aria-label="Patient" className="flex min-h-[57px] min-w-0 flex-1 items-stretch sm:min-h-[55px] low:min-h-[47px]">
      <div className="relative flex min-w-0 flex-1 items-stretch">
        <SideTile open={open} />
        <div className="grid min-w-0 flex-1 content-center gap-0.5 px-2 py-[3px] max-[22.5rem]:px-1.5 sm:px-3.5 low:py-0">
          <p className="text-[1.05rem] leading-[1.15] font-bold max-[22.5rem]:text-[0.88rem] sm:text-[1.2rem]">
            <Name name={patientLabel(open.episode)} isMadeUp={isMadeUp(open)} />
          </p>
          <div className="flex min-w-0 gap-x-2 text-[0.88rem] leading-[1.45] low:hidden">
            {isNarrow ? <span className="font-semibold">{open.episode.place}</span> : null}
            {isNarrow ? <FlagCount open={open} /> : <Flags open={open} />}
            {isNarrow ? null : <FactsWhereRoom open={open} />}
          </div>
        </div>
        <button
          type="button"
          aria-label={`All about ${patientLabel(open.episode)}`}
          onClick={() => setSheet('who')}
          className="absolute inset-0 rounded-none -outline-offset-4"
        />
      </div>
      {isNarrow ? null : <PlaceButton open={open} onMove={() => setSheet('move')} />}
      <TroubleButton open={open} look={isUpright ? 'tile-shape' : 'tile'} />
      <Dialog title={patientLabel(open.episode)} isOpen={sheet === 'who'} onClose={close}>
        <div className="grid justify-items-start gap-3">
          <p className="flex flex-wrap items-center gap-3">
            <span className="font-bold">{sideWords(open) ?? 'Side not set'}</span>
            <span className="text-soft">{factsOf(open).join(' · ')}</span>
          </p>
          <Flags open={open} />
          <PlaceButton open={open} onMove={() => setSheet('move')} />
          <button
            type="button"
            onClick={() => setSheet('device')}
            className="inline-flex min-h-11 items-center gap-1 rounded-xl px-2 font-semibold underline decoration-line underline-offset-4"
          >
            <Plus size={17} aria-hidden />
            Another device
          </button>
        </div>
      </Dialog>
      {sheet === 'move' ? <MoveSheet open={open} onClose={close} /> : null}
      {sheet === 'device' ? <DeviceSheet open={open} onClose={close} /> : null}
    </section>
  )
}

/** The family name is never cut: given names give way first, whole to a reader and on a tap. */
function Name({ name, isMadeUp: isPlain }: { name: string; isMadeUp: boolean }) {
  // What stands for a name has an age behind a comma: that gives way whole.
  const { given, family, isFamilyFirst } = isPlain
    ? { given: '', family: name.split(',')[0] ?? name, isFamilyFirst: false }
    : nameParts(name)
  const kept = <span className={`shrink-0 wrap-anywhere ${given ? 'max-w-[calc(100%-0.28em)]' : 'max-w-full'}`}>{family}</span>
  return (
    <>
      <bdi className="sr-only">{name}</bdi>
      <bdi dir="auto" aria-hidden className="flex min-w-0 gap-x-[0.28em]">
        {isFamilyFirst ? kept : null}
        {given ? <span className="min-w-0 truncate">{given}</span> : null}
        {isFamilyFirst ? null : kept}
      </bdi>
    </>
  )
}

/** Nobody knows the name yet: it is called by when it came. */
function isMadeUp({ episode: { patient } }: OpenCase): boolean {
  return patient.isTemporary || patient.name === ''
}

/** Side and region as they are said, or null while they are not set. */
function sideWords({ record, episode }: OpenCase): string | null {
  const injury = episode.injuries[record.injuryId]
  if (!injury || !isPlaced(injury)) return null
  return [injury.side?.toUpperCase(), spoken(injury.region ?? '')].filter(Boolean).join(' ')
}

/** The side in letters that are read from the foot of the bed. */
function SideTile({ open: { record, episode } }: { open: OpenCase }) {
  const injury = episode.injuries[record.injuryId]
  const isSet = injury !== undefined && isPlaced(injury)
  return (
    <p
      className={`grid min-w-[4.3rem] max-w-[6.6rem] shrink-0 content-center px-2.5 max-[22.5rem]:min-w-16 max-[22.5rem]:max-w-20 max-[22.5rem]:px-1.5 leading-[1.08] font-semibold wrap-anywhere sm:min-w-[5.4rem] sm:px-3.5 low:flex low:items-center low:gap-1.5 ${isSet ? 'bg-ink text-paper' : 'border-2 border-dashed border-caution text-caution'}`}
    >
      {isSet && injury.side ? <strong className="text-[1.15rem] tracking-wide">{injury.side.toUpperCase()}</strong> : null}{' '}
      <span className={isSet && !injury.side ? 'text-[1.1rem] font-bold' : 'text-[0.88rem]'}>
        {isSet ? spoken(injury.region ?? '') : 'side not set'}
      </span>
    </p>
  )
}

function factsOf({ episode: { patient } }: OpenCase): readonly string[] {
  return [
    patient.ageYears === null ? '' : `${patient.isAgeEstimated ? 'about ' : ''}${patient.ageYears} y`,
    patient.massKg === null ? '' : `${patient.isMassEstimated ? 'about ' : ''}${patient.massKg} kg`,
  ].filter(Boolean)
}

/** Age and mass, each whole or not at all: what does not fit goes into a second line that is not seen. */
function FactsWhereRoom({ open }: { open: OpenCase }) {
  return (
    <span className="flex h-[1.45em] min-w-0 flex-1 flex-wrap gap-x-2 overflow-hidden text-soft before:-mr-2 before:w-px before:content-['']">
      {factsOf(open).map((fact) => (
        <span key={fact} className="whitespace-nowrap">
          {fact}
        </span>
      ))}
    </span>
  )
}

/** What makes this patient different, as on the stay and on the injury. */
function flagsOf({ record, episode }: OpenCase): readonly string[] {
  const ofInjury = episode.injuries[record.injuryId]?.flags ?? []
  return [...episode.flags, ...ofInjury.filter((flag) => flag !== 'fresh')].map(flagLabel)
}

function Flags({ open }: { open: OpenCase }) {
  const flags = [...flagsOf(open), ...(open.episode.confidential ? ['Confidential'] : [])]
  if (flags.length === 0) return null
  return (
    <ul aria-label="Flags" className="flex min-w-0 flex-wrap gap-1">
      {flags.map((flag) => (
        <li
          key={flag}
          className={`rounded-md px-1.5 font-semibold ${flag === 'Confidential' ? 'bg-well' : 'bg-caution-wash text-caution'}`}
        >
          {flag}
        </li>
      ))}
    </ul>
  )
}

/** On a phone: how many there are; their words are one tap away. */
function FlagCount({ open }: { open: OpenCase }) {
  const { length } = flagsOf(open)
  return length > 0 ? (
    <span className="shrink-0 rounded-md bg-caution-wash px-1.5 font-bold text-caution">
      <span aria-hidden>▲ </span>
      {length}
      <span className="sr-only">{length === 1 ? ' flag' : ' flags'}</span>
    </span>
  ) : null
}

function PlaceButton({ open: { episode }, onMove }: { open: OpenCase; onMove: () => void }) {
  return (
    <button
      type="button"
      aria-label={`${episode.place}: move`}
      onClick={onMove}
      className="inline-flex min-h-11 max-w-[11rem] shrink-0 items-center gap-1.5 px-2.5 text-left leading-tight font-semibold underline decoration-line underline-offset-4"
    >
      <MapPin size={17} aria-hidden className="shrink-0" />
      {episode.place}
    </button>
  )
}
