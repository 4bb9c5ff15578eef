import { useEffect, useState } from 'react'
import { readSealed, type PatientHere } from '../sync/device'
import { resumePatients, usePatientsHere } from '../sync/patients-here'
import { useSealed } from '../sync/sealed-outbox'

/** Before anybody may read more: this device's patients by their initials, what they wear, and how much of each is not sent. */
export function PatientsWaiting() {
  const all = usePatientsHere((store) => store.patients)
  const unsent = useUnsentByStream()
  const countOf = ({ caseId, episodeId }: PatientHere): number => (unsent.get(caseId) ?? 0) + (unsent.get(episodeId) ?? 0)
  const patients = all.filter((patient) => patient.gone === undefined && (patient.isAccountless || countOf(patient) > 0))
  useEffect(() => void resumePatients(), [])
  if (patients.length === 0) return null
  return (
    <section aria-label="This device’s patients" className="grid gap-1.5">
      <h2 className="font-bold">This device’s patients</h2>
      <ul className="grid gap-1">
        {patients.map((patient) => {
          const { caseId, initials, device } = patient
          const count = countOf(patient)
          return (
            <li key={caseId} className="flex flex-wrap justify-between gap-x-3">
              <span>
                <strong>{initials || 'Just begun'}</strong>
                {device ? `, ${device}` : ''}
              </span>
              {count > 0 ? <span className="font-semibold text-caution">{count} not sent</span> : null}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** How many closed entries wait of each case and stay. */
function useUnsentByStream(): ReadonlyMap<string, number> {
  const [byStream, setByStream] = useState<ReadonlyMap<string, number>>(new Map())
  const total = useSealed(({ count }) => count)
  useEffect(() => {
    let isOver = false
    void readSealed()
      .then((all) => {
        const counts = new Map<string, number>()
        for (const { streamId } of all) counts.set(streamId, (counts.get(streamId) ?? 0) + 1)
        if (!isOver) setByStream(counts)
      })
      .catch(() => undefined)
    return () => {
      isOver = true
    }
  }, [total])
  return byStream
}
