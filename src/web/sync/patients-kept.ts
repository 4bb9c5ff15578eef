import { readPatients } from './device'

/** Whether patients whom somebody began are on this device still: neither handed over nor ended. */
export async function hasPatientsHere(personId: string): Promise<boolean> {
  const kept = await readPatients().catch(() => [])
  return kept.some((one) => one.personId === personId && one.isAccountless && one.gone === undefined)
}
