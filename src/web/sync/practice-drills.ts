import { v7 as uuidv7 } from 'uuid'
import type { DrillPost } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import { callApi } from './api'
import type { Practised } from './durable'
import { sendLetter } from './outbox'
import { currentDurable } from './session-store'

type Night = Extract<Practised, { readonly what: 'drill' }>

/** Ids of nights that are on their way. */
const underWay = new Set<string>()

/** Keeps a night that is over on this device until the server has it, and sends it as soon as it can be. */
export async function sendDrill(post: DrillPost): Promise<void> {
  const night: Night = { what: 'drill', id: uuidv7(), post }
  await currentDurable()?.addPractised(night)
  send(night)
}

/** Sends what earlier pages left unsent. */
export async function resumeDrills(): Promise<void> {
  const durable = currentDurable()
  if (!durable) return
  for (const night of await durable.readPractised('drill')) send(night)
}

function send({ id, post }: Night): void {
  if (underWay.has(id)) return
  underWay.add(id)
  const durable = currentDurable()
  const settled = (): void => {
    underWay.delete(id)
    void durable?.dropFromOutbox(id)
  }
  sendLetter({
    id,
    lane: `drill/${id}`,
    send: () => callApi('POST', paths.practiceDrill(id), post),
    taken: settled,
    // What is refused will be refused again.
    refused: settled,
  })
}
