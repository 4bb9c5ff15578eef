import { create } from 'zustand'
import { paths } from '#contract/api/paths'
import { callApi } from './api'
import { dropSealed, readSealed, type SealedEntry } from './device'
import { sendLetter } from './outbox'

/** Entries of others that wait on this device, closed: how many, and whether one of them is urgent. */
export const useSealed = create<{ readonly count: number; readonly isUrgent: boolean }>(() => ({ count: 0, isUrgent: false }))

/** Ids of those that are on their way. */
const underWay = new Set<string>()

/** Counts what others left here. @param personId whose entries are not others'; null while nobody is signed in */
export async function countSealed(personId: string | null): Promise<readonly SealedEntry[]> {
  const others = (await readSealed().catch(() => [])).filter((one) => one.personId !== personId)
  useSealed.setState({ count: others.length, isUrgent: others.some((other) => other.isUrgent) })
  return others
}

/** Sends what others left here, in the order in which each entered it; what the server refuses stays for its author. */
export async function sendSealed(personId: string): Promise<void> {
  for (const { id, personId: author, sealed } of await countSealed(personId)) {
    if (underWay.has(id)) continue
    underWay.add(id)
    const settled = (): void => {
      underWay.delete(id)
      void countSealed(personId)
    }
    sendLetter({
      id: `sealed/${id}`,
      lane: `sealed/${author}`,
      send: () => callApi('POST', paths.sealedEvents, { sealed }),
      taken: () => void dropSealed(id).then(settled, settled),
      refused: settled,
    })
  }
}
