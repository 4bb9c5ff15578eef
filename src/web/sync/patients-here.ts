import { create } from 'zustand'
import type { CaseAnswer } from '#contract/api/answers'
import { paths } from '#contract/api/paths'
import type { Person } from '#contract/api/session'
import { isPairedDevice } from '#contract/rights'
import { isHandedOver } from '#contract/records/crew-hand-over'
import { initialsOf, patientLabel } from '#contract/records/episode'
import { callApi } from './api'
import { dropPatient, readPatients, readSealed, writePatient, type PatientGone, type PatientHere } from './device'
import { currentDurable } from './session-store'
import type { Folded } from './fold-waiting'

/** Who it is, and what they wear: told to whoever may read it, and closed on the device like everything of a patient. */
export interface PatientTold {
  readonly patient: string
  /** "LEFT thigh"; empty while it is not set. */
  readonly part: string
}

/** Patients whom work on this device was begun for, whoever works on it: those who are here still, and those who left within a shift. */
export const usePatientsHere = create<{ readonly patients: readonly PatientHere[] }>(() => ({ patients: [] }))

const lastTold = new Map<string, PatientTold>()

/** So long it is said where a patient went. */
const goneForMs = 12 * 3_600_000

/** Reads the list, also before anybody has signed in; it is there without a line. */
export async function resumePatients(): Promise<void> {
  const kept = await readPatients().catch(() => [])
  const unsent = new Set((await readSealed().catch(() => [])).map(({ streamId }) => streamId))
  const isOld = ({ caseId, episodeId, isAccountless, gone }: PatientHere): boolean =>
    gone === undefined ? !isAccountless && !unsent.has(caseId) && !unsent.has(episodeId) : Date.now() - Date.parse(gone.at) > goneForMs
  for (const { caseId } of kept.filter(isOld)) void dropPatient(caseId).catch(() => undefined)
  const here = usePatientsHere.getState().patients
  const others = kept.filter((patient) => !isOld(patient) && !here.some(({ caseId }) => caseId === patient.caseId))
  usePatientsHere.setState({ patients: [...here, ...others] })
}

/** A case begins on this device. */
export function notePatientBegun(caseId: string, episodeId: string, person: Pick<Person, 'id' | 'roles'>): void {
  put({ caseId, episodeId, personId: person.id, isAccountless: isPairedDevice(person.roles), initials: '', device: '', onSince: null })
}

/**
 * Takes over what the case in hand tells, where it is one of this device.
 * @param told who it is and what they wear; the rest of it is said to everybody who looks at the device
 */
export function keepPatient(
  { record, episode }: Folded,
  person: Pick<Person, 'id' | 'roles'>,
  told: { readonly part: string; readonly device: string; readonly onSince: string | null },
): void {
  const { patients } = usePatientsHere.getState()
  const before = patients.find(({ caseId }) => caseId === record.id)
  if (!before && !patients.some(({ episodeId }) => episodeId === episode.id)) return
  const patient = patientLabel(episode)
  const gone = goneOf({ record, episode })
  put({
    caseId: record.id,
    episodeId: episode.id,
    personId: before?.personId ?? person.id,
    isAccountless: before?.isAccountless ?? isPairedDevice(person.roles),
    initials: initialsOf(patient),
    device: told.device,
    onSince: told.onSince,
    ...(gone ? { gone } : {}),
  })
  const who: PatientTold = { patient, part: told.part }
  // Every step of a run comes by here: what is known already is not closed and written again.
  if (JSON.stringify(lastTold.get(record.id)) === JSON.stringify(who)) return
  lastTold.set(record.id, who)
  void currentDurable()?.writeAnswer(toldKey(record.id), { ...who, now: new Date().toISOString() })
}

/** Who it is, for whoever may read it; undefined where it was closed under keys that are gone. */
export async function readTold(caseId: string): Promise<PatientTold | undefined> {
  return currentDurable()?.readAnswer<PatientTold>(toldKey(caseId))
}

/** A patient of this device is with somebody else, or nowhere: it is said where. */
export function notePatientGone(caseId: string, gone: PatientGone): void {
  const known = usePatientsHere.getState().patients.find((patient) => patient.caseId === caseId)
  if (known) put({ ...known, gone })
}

/**
 * Asks after patients who are not on the Board any more: whether they were handed over or have ended.
 * @param onBoard ids of the cases that the server told of
 * @param waits whether something of a case has yet to be sent: then the server may know nothing of it
 */
export async function askAfterPatients(onBoard: readonly string[], personId: string, waits: (one: PatientHere) => boolean): Promise<void> {
  const missing = usePatientsHere
    .getState()
    .patients.filter((patient) => patient.personId === personId && !patient.gone && !onBoard.includes(patient.caseId) && !waits(patient))
  for (const one of missing) {
    const result = await callApi<CaseAnswer>('GET', paths.case(one.caseId))
    if (result.kind === 'ok') {
      const gone = goneOf(result.value)
      if (gone) notePatientGone(one.caseId, gone)
    } else if (result.kind === 'refused' && result.problem.status === 404) forget(one.caseId)
    else if (result.kind === 'refused' && isHandedOverAnswer(result.problem)) notePatientGone(one.caseId, result.problem.current)
  }
}

/** Whether a refusal says that a case was handed over, and to whom. */
export function isHandedOverAnswer<P extends { readonly type: string; readonly current?: unknown }>(
  problem: P,
): problem is P & { readonly current: PatientGone } {
  return problem.type.endsWith(':handed-over')
}

function goneOf({ record, episode }: Pick<Folded, 'record' | 'episode'>): PatientGone | null {
  const { received } = episode.crewHandOver ?? {}
  if (received && isHandedOver(episode.crewHandOver)) return { by: received.by, at: received.at, place: episode.place }
  return record.ended ? { by: '', at: record.ended.at, place: episode.place } : null
}

function toldKey(caseId: string): string {
  return `patient-here/${caseId}`
}

function forget(caseId: string): void {
  usePatientsHere.setState(({ patients }) => ({ patients: patients.filter((patient) => patient.caseId !== caseId) }))
  void dropPatient(caseId).catch(() => undefined)
}

function put(patient: PatientHere): void {
  const { patients } = usePatientsHere.getState()
  const before = patients.find(({ caseId }) => caseId === patient.caseId)
  if (before && JSON.stringify(before) === JSON.stringify(patient)) return
  usePatientsHere.setState({ patients: [...patients.filter((one) => one !== before), patient] })
  // What this browser cannot keep it knows until the page is closed.
  void writePatient(patient).catch(() => undefined)
}
