import { Link } from 'react-router'
import { spoken } from '#core/case/vocabulary'
import { isPlaced } from '#contract/is-placed'
import { patientLabel } from '#contract/episode-record'
import { useNow } from '../hooks/use-now'
import type { OpenCase } from '../stores/case-store'

/** Who, which side, what makes this patient different, and every running timer: above every stage. */
export function PatientStrip({ open }: { open: OpenCase }) {
  const { record, episode } = open
  const injury = episode.injuries[record.injuryId]
  const flags = [...episode.flags, ...(injury?.flags ?? []).filter((flag) => flag !== 'fresh')]
  const { patient } = episode
  const facts = [
    patient.ageYears === null ? '' : `${patient.isAgeEstimated ? 'about ' : ''}${patient.ageYears} y`,
    patient.massKg === null ? '' : `${patient.isMassEstimated ? 'about ' : ''}${patient.massKg} kg`,
    episode.place,
  ].filter(Boolean)
  return (
    <section aria-label="Patient" className="border-b border-line bg-sheet">
      <div className="mx-auto flex max-w-7xl flex-wrap items-center gap-x-4 gap-y-1 px-3 py-1.5 sm:px-6">
        <p className="text-[1.08rem] font-bold">{patientLabel(patient)}</p>
        {injury && isPlaced(injury) ? (
          <p className="rounded-lg bg-ink px-2.5 py-0.5 font-bold text-paper">
            {[injury.side?.toUpperCase(), spoken(injury.region ?? '')].filter(Boolean).join(' ')}
          </p>
        ) : (
          <p className="rounded-lg border border-dashed border-caution px-2.5 py-0.5 font-semibold text-caution">side not set</p>
        )}
        <p className="text-soft">{facts.join(' · ')}</p>
        {flags.length > 0 ? (
          <ul aria-label="Flags" className="flex flex-wrap gap-1.5">
            {flags.map((flag) => (
              <li key={flag} className="rounded-md bg-caution-wash px-2 py-0.5 text-sm font-semibold text-caution">
                {spoken(flag)}
              </li>
            ))}
          </ul>
        ) : null}
        <Timers open={open} />
      </div>
    </section>
  )
}

function Timers({ open }: { open: OpenCase }) {
  const now = useNow(500)
  const timers = open.record.appliedAt ? [] : (open.record.runs.at(-1)?.timers ?? [])
  return (
    <ul aria-label="Timers" className="ml-auto flex gap-2">
      {timers.map((timer) => {
        const left = Date.parse(timer.startedAt) + timer.minutes * 60_000 - now
        return (
          <li key={timer.id}>
            <Link
              to={`/case/${open.record.id}/apply`}
              className={`inline-flex min-h-10 items-center gap-2 rounded-xl px-3 font-bold ${left < 0 ? 'bg-well' : left < 60_000 ? 'bg-caution-wash text-caution' : 'bg-citrus text-on-citrus'}`}
            >
              {timer.label}{' '}
              <span className="numeral" role="timer" aria-label={timer.label}>
                {formatLeft(left)}
              </span>
            </Link>
          </li>
        )
      })}
    </ul>
  )
}

/** Minutes and seconds left; past the end, how long ago it ended. */
export function formatLeft(leftMs: number): string {
  const seconds = Math.floor(Math.abs(leftMs) / 1000)
  const minutes = Math.floor(seconds / 60)
  const clock = minutes >= 600 ? `${Math.floor(minutes / 60)} h` : `${minutes}:${String(seconds % 60).padStart(2, '0')}`
  return leftMs < 0 ? `done ${clock} ago` : clock
}
