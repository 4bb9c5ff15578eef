import type { ReactNode } from 'react'
import { useMatch } from 'react-router'
import { useCase, useCaseStore } from '../sync/case-store'
import { PatientRow } from './patient-row'

/** What the top row says in a case: the patient, once the case is open. */
export function CaseRow({ lock }: { lock: ReactNode }) {
  const caseId = useMatch('/case/:caseId/*')?.params.caseId
  const { status, caseId: held } = useCaseStore()
  const open = useCase()
  return open && held === caseId && status !== 'say-why' ? <PatientRow open={open} lock={lock} /> : <span className="flex-1" />
}
