import { v7 as uuidv7 } from 'uuid'
import { defineModels } from '../../src/server/db/models'
import { addPerson } from '../../src/server/people/add-person'
import { hashPassword } from '../../src/server/people/password'
import { createEventRepository } from '../../src/server/repositories/events'
import { createPeopleRepository } from '../../src/server/repositories/people'
import { startDurableServers, type DurableServers, type OwnServer } from '../harness/durable-servers'
import { openClient, password, type Client, type OpenedCase } from '../harness/server-harness'
import { listenAs, residentMb, rest, workTogether } from './at-work'
import { percentiles, type Figure } from './figure'
import { isSmallest, sized } from './size'

const people = sized(60, 3)
const seconds = sized(120, 5)
const packsAtOnce = sized(12, 2)

/** A shift on one server: sixty people and sixty pages for two minutes, papers of a full ward beside them, and a server that is killed. */
export async function benchShift(): Promise<readonly Figure[]> {
  const durable = await startDurableServers(1)
  const server = durable.servers[0]!
  try {
    const clients = await signInAll(durable)
    const pages = listenAs(server.address, clients, people)
    let [early, bed]: [number, OpenedCase | undefined] = [0, undefined]
    const times = await workTogether(clients, seconds, pages, async (cases) => {
      bed = cases[0]
      early = await residentMb(pidOf(server))
    })
    const late = await residentMb(pidOf(server))
    pages.stop()
    const packMs = await timePaper(clients[0]!, '/api/downtime.pdf')
    const labelMs = await timeLabelBeside(clients, bed!)
    const backMs = await timeRestart(server)
    const shift = `${people} people and ${people} pages for ${seconds} s`
    return [
      { name: `Board of ${shift}, 95th percentile`, value: percentiles(times.boards).p95, unit: 'ms', limit: 150 },
      { name: 'write meanwhile, 95th percentile', value: percentiles(times.writes).p95, unit: 'ms', limit: 150 },
      {
        name: `a change heard by others, 95th percentile of ${times.heard.length}`,
        value: percentiles(times.heard).p95,
        unit: 'ms',
        limit: 700,
      },
      { name: `memory at the end against after ${seconds / 10} s (${late} MB)`, value: late / early, unit: 'times', limit: 1.25 },
      { name: `downtime pack of a ward of ${people}`, value: packMs / 1_000, unit: 's', limit: 3 },
      { name: `bedside label beside ${packsAtOnce} of those`, value: labelMs / 1_000, unit: 's', limit: 1.5 },
      { name: 'a killed server answers again', value: backMs / 1_000, unit: 's', limit: 3 },
    ]
  } finally {
    await durable.stop()
  }
}

/** People of their own, each with a session: what one person may have under way is bounded. */
async function signInAll({ db, servers }: DurableServers): Promise<readonly Client[]> {
  const models = defineModels(db)
  const deps = { db, people: createPeopleRepository(models), events: createEventRepository(db, models), clock: () => Date.now() }
  const passwordHash = await hashPassword(password)
  const clients: Client[] = []
  for (let index = 0; index < people; index++) {
    const name = `nurse-${index}`
    const id = uuidv7()
    await addPerson(deps, { id, name, signIn: name, passwordHash, roles: ['clinician'] })
    clients.push(await openClient(servers[0]!.address, id, name))
  }
  return clients
}

/** Packs of as many people are under way before the label is asked for, and after it still. */
async function timeLabelBeside(clients: readonly Client[], { caseStream }: OpenedCase): Promise<number> {
  let arePacksDone = false
  const packs = Promise.all(clients.slice(0, packsAtOnce).map((client) => timePaper(client, '/api/downtime.pdf'))).then(() => {
    arePacksDone = true
  })
  await rest(150)
  const took = await timePaper(clients.at(-1)!, `/api/cases/${caseStream.id}/papers/bedside-label.pdf`)
  if (arePacksDone && !isSmallest) throw new Error('The packs were printed before the label: nothing was measured beside them')
  await packs
  return took
}

async function timePaper(client: Client, path: string): Promise<number> {
  const start = performance.now()
  const { status } = await client.getBytes(path)
  if (status !== 200) throw new Error(`${path} was answered ${status}`)
  return performance.now() - start
}

async function timeRestart(server: OwnServer): Promise<number> {
  await server.kill()
  const start = performance.now()
  await server.start()
  const { status } = await fetch(`${server.address}/api/ready`)
  if (status !== 200) throw new Error(`The server that was started again answered ${status}`)
  return performance.now() - start
}

function pidOf(server: OwnServer): number {
  return server.child().pid ?? 0
}
