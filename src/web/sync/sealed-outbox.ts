import { create } from 'zustand'
import { paths } from '#contract/api/paths'
import { callApi } from './api'
import { dropSealed, readSealed, type SealedEntry } from './device'
import { sendLetter, useOutbox } from './outbox'
import { currentDurable } from './session-store'

/** Entries of others that wait on this device, closed: how many, and whether one of them is urgent. */
export const useSealed = create<{ readonly count: number; readonly isUrgent: boolean }>(() => ({ count: 0, isUrgent: false }))

/** Ids of those that are on their way. */
const underWay = new Set<string>()

/**
 * Counts what others left here, and what this person left and can read no more.
 * @param personId who is signed in; null while nobody is
 */
export async function countSealed(personId: string | null): Promise<readonly SealedEntry[]> {
  // Looked up before and after: what is entered or taken meanwhile is their own too.
  const before = await ownWaiting()
  const all = await readSealed().catch(() => [])
  const own = new Set([...before, ...(await ownWaiting())])
  const others = all.filter((one) => one.personId !== personId || !own.has(one.id))
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

/** Ids of one's own that the server took closed, and that go once more in the open when it can be answered. */
const sentClosed = new Set<string>()
let closing: Promise<void> = Promise.resolve()

/**
 * Sends what waits of one's own, closed, in the order in which it was entered: while the screen is locked the server takes nothing else from this
 * page. It waits here all the same, and goes in the open once the lock is open: of one id the server keeps one.
 */
export function sendClosed(): Promise<void> {
  closing = closing.then(async () => {
    const waiting = new Set(useOutbox.getState().pending.map(({ id }) => id))
    for (const { id, sealed } of await readSealed().catch(() => [])) {
      if (!waiting.has(id) || sentClosed.has(id)) continue
      const result = await callApi('POST', paths.sealedEvents, { sealed })
      if (result.kind === 'offline' || result.kind === 'trouble') return
      sentClosed.add(id)
    }
  })
  return closing
}

async function ownWaiting(): Promise<readonly string[]> {
  const durable = currentDurable()
  const kept = await Promise.all([durable?.readOutbox(), durable?.readLeftByOthers()]).catch(() => [])
  return [...kept.flatMap((one) => one ?? []), ...useOutbox.getState().pending].map(({ id }) => id)
}
