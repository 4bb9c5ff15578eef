import { v7 as uuidv7 } from 'uuid'
import type { DrillPost } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import { callApi, isSessionOver } from './api'
import { onLineBack } from './outbox'
import { currentDurable } from './session-store'

/** Nights that are over and that the server has yet to get. */
const unsentKey = 'practice/drills-unsent'

type Kept = DrillPost & { readonly id: string }

let last: Promise<void> = Promise.resolve()

/** Keeps a night that is over on this device until the server has it. @returns whether it has it now */
export async function sendDrill(post: DrillPost): Promise<boolean> {
  const keep = async (): Promise<void> => write([...(await read()), { ...post, id: uuidv7() }])
  last = last.then(keep, keep)
  await sendDrills()
  return (await read()).length === 0
}

/** Sends what earlier pages left unsent, now and whenever the line comes back; returns how to stop. */
export function startSendingDrills(): () => void {
  void sendDrills()
  return onLineBack(() => void sendDrills())
}

/** One sending after another, so that none goes twice at once. */
function sendDrills(): Promise<void> {
  last = last.then(sendAll, sendAll)
  return last
}

async function sendAll(): Promise<void> {
  const durable = currentDurable()
  for (const { id, ...post } of await read()) {
    // Somebody else signed in: it waits for whose it is.
    if (currentDurable() !== durable) return
    const answer = await callApi('POST', paths.practiceDrill(id), post)
    // What is refused will be refused again, unless only the session was over.
    const isRefused = answer.kind === 'refused' && !isSessionOver(answer.problem)
    if (answer.kind === 'ok' || isRefused) await write((await read()).filter((one) => one.id !== id))
  }
}

async function read(): Promise<readonly Kept[]> {
  const text = await currentDurable()?.readDraft(unsentKey)
  return text ? (JSON.parse(text) as readonly Kept[]) : []
}

async function write(kept: readonly Kept[]): Promise<void> {
  await currentDurable()?.writeDraft(unsentKey, JSON.stringify(kept))
}
