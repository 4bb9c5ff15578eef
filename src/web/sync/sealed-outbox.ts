import { create } from 'zustand'
import type { SealedAnswer } from '#contract/api/answers'
import { paths } from '#contract/api/paths'
import { callApi } from './api'
import { dropSealed, readSealed, type SealedEntry } from './device'

/** Entries of others that wait on this device, closed: how many, and whether one of them is urgent. */
export const useSealed = create<{ readonly count: number; readonly isUrgent: boolean }>(() => ({ count: 0, isUrgent: false }))

let isSending = false

/** Counts what others left here. @param personId whose entries are not others'; null while nobody is signed in */
export async function countSealed(personId: string | null): Promise<readonly SealedEntry[]> {
  const others = (await readSealed().catch(() => [])).filter((one) => one.personId !== personId)
  useSealed.setState({ count: others.length, isUrgent: others.some((one) => one.isUrgent) })
  return others
}

/** Sends what others left here, in the order in which each entered it; what the server refuses stays for its author. */
export async function sendSealed(personId: string): Promise<void> {
  if (isSending) return
  isSending = true
  try {
    for (const { id, sealed } of await countSealed(personId)) {
      const result = await callApi<SealedAnswer>('POST', paths.sealedEvents, { sealed })
      if (result.kind === 'ok') await dropSealed(id)
      else if (result.kind !== 'refused') break
    }
  } finally {
    isSending = false
    await countSealed(personId)
  }
}
