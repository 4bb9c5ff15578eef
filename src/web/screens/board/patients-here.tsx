import { useMoment } from '../../sync/use-moment'
import { Link } from 'react-router'
import { useEffect, useState } from 'react'
import type { BoardRow } from '#contract/api/board'
import { isPairedDevice } from '#contract/rights'
import { goneWords } from '../../case/frame/gone-words'
import type { PatientHere } from '../../sync/device'
import { useOutbox } from '../../sync/outbox'
import { readTold, usePatientsHere, type PatientTold } from '../../sync/patients-here'
import { usePerson } from '../../sync/session-store'

/** This device's patients that the Board does not show: begun without a line, or gone from here, with where they went. */
export function PatientsHere({ rows }: { rows: readonly BoardRow[] }) {
  const { id, roles } = usePerson()
  const all = usePatientsHere(({ patients }) => patients)
  const pending = useOutbox((store) => store.pending)
  const isUnsent = (patient: PatientHere): boolean =>
    pending.some(({ stream }) => stream.id === patient.caseId || stream.id === patient.episodeId)
  const shown = all.filter(
    (patient) =>
      patient.personId === id &&
      !rows.some(({ caseId }) => caseId === patient.caseId) &&
      // What an account began is on the Board as soon as it is sent.
      (patient.isAccountless || isUnsent(patient)),
  )
  if (shown.length === 0) return null
  return (
    <section aria-label="This device’s patients" className="mb-4">
      {/* On a device that is nobody's the whole page is called so. */}
      {isPairedDevice(roles) ? null : (
        <h2 className="mb-1.5 font-bold">
          This device’s patients <span className="numeral">{shown.length}</span>
        </h2>
      )}
      <ul className="grid gap-2">
        {shown.map((patient) => (
          <li key={patient.caseId}>{patient.gone ? <Gone patient={patient} /> : <Here patient={patient} />}</li>
        ))}
      </ul>
    </section>
  )
}

function Here({ patient }: { patient: PatientHere }) {
  const moment = useMoment()
  const { caseId, episodeId, initials, device, onSince } = patient
  const told = useTold(patient)
  const unsent = useOutbox(({ pending }) => pending.filter(({ stream }) => stream.id === caseId || stream.id === episodeId).length)
  return (
    <Link
      to={`/case/${caseId}`}
      className="grid min-h-20 items-center gap-x-5 gap-y-1 rounded-2xl border border-l-[10px] border-line border-l-soft bg-sheet px-4 py-3 sm:grid-cols-[1fr_auto]"
    >
      <span className="min-w-0">
        <span className="block text-[1.12rem] leading-snug wrap-anywhere font-bold">{told?.patient || initials || 'Just begun'}</span>
        <span className="block text-soft">
          <strong className="text-ink">{told?.part || 'side not set'}</strong>
          {device ? ` · ${device}` : ''}, {onSince ? `on since ${moment(Date.parse(onSince))}` : 'not on yet'}
        </span>
      </span>
      {unsent > 0 ? <span className="font-semibold text-caution">{unsent} not sent</span> : null}
    </Link>
  )
}

function Gone({ patient }: { patient: PatientHere }) {
  const told = useTold(patient)
  return (
    <p className="rounded-2xl border border-line px-4 py-3">
      <strong>{told?.patient || patient.initials}</strong>: {patient.gone ? goneWords(patient.gone) : ''}
    </p>
  )
}

/** Who it is, as this device kept it; undefined until it is read, and where its keys are gone. */
function useTold(patient: PatientHere): PatientTold | undefined {
  const [told, setTold] = useState<PatientTold>()
  useEffect(() => {
    let isOver = false
    void readTold(patient.caseId)
      .then((read) => (isOver ? undefined : setTold(read)))
      .catch(() => undefined)
    return () => {
      isOver = true
    }
  }, [patient])
  return told
}
