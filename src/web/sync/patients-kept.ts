import { readPatients } from './device'

/** Whether patients whom somebody began are on this device still: neither handed over nor ended. */
export async function hasPatientsHere(personId: string): Promise<boolean> {
  const kept = await readPatients().catch(() => [])
  return kept.some((patient) => patient.personId === personId && patient.isAccountless && patient.gone === undefined)
}
