import { v7 as uuidv7 } from 'uuid'
import type { Sequelize } from 'sequelize'
import { defaultSettings } from '#contract/records/person'
import { defineModels } from '../db/models'
import { createPlanner } from '../planning/planner'
import type { WorkerPool } from '../workers/pool'
import { createCountersigns } from '../repositories/countersigns'
import { createEventRepository } from '../repositories/events'
import { createPeopleRepository } from '../repositories/people'
import { createStockRepository } from '../repositories/stock'
import { createStreamRepository } from '../repositories/streams'
import { createAppendService } from '../writing/append-event'
import { addPerson } from '../people/add-person'
import { hashPassword } from '../people/password'
import { createStockImport } from '../services/import-stock'
import { syncCatalogue } from '../services/sync-catalogue'
import type { Actor } from '../ledger/writing'
import { createDemoWriter } from './demo-writer'
import { writeEndedStories } from './ended-stories'
import { writeLegSlabStories } from './leg-slab-stories'
import { demoStaff } from './staff'
import { writeDemoStore } from './store'
import { writeTechniqueStories } from './technique-stories'
import { writePracticeStories, type Learner } from './practice-stories'
import { pastStays } from './past-stays'
import { writeCareStory, writeHomeStory } from './ward-stories'
import { writeBulk } from '../writing/write-bulk'
import { writeDemoWard } from './ward'

/** The password of every demo person; it exists in the demo world only. */
export const demoPassword = 'gale over tern sound'

const dayMs = 86_400_000
/** One stay a day, three months back. */
const pastDays = 90

/** Fills an empty database with the staff and cases of Tern Sound Infirmary, all times relative to `now`. */
export async function loadDemoWorld({ db, pool, now }: { db: Sequelize; pool: WorkerPool; now: number }): Promise<void> {
  const models = defineModels(db)
  const people = createPeopleRepository(models)
  const streams = createStreamRepository(db, models)
  const events = createEventRepository(db, models)
  const stock = createStockRepository(db)
  const demoClock = { minutesAgo: 0 }
  const clock = (): number => now - demoClock.minutesAgo * 60_000
  const planner = createPlanner(clock, pool)
  const append = createAppendService({ db, events, streams, people, stock, countersigns: createCountersigns(db), planner, clock })
  const actors: Actor[] = []
  const learners: Learner[] = []
  let lead: Actor | null = null
  let trainee: Actor | null = null
  for (const person of demoStaff) {
    const id = uuidv7()
    await addPerson({ db, people, events, clock }, { id, passwordHash: await hashPassword(demoPassword), ...person })
    const actor: Actor = { id, name: person.name, roles: person.roles }
    if (person.roles.includes('lead')) lead ??= actor
    if (person.roles.includes('trainee')) trainee ??= actor
    if (person.roles.includes('clinician')) actors.push(actor)
    if (person.sure !== undefined) learners.push({ id, sure: person.sure })
    if (person.fingerCm !== null) {
      await append(
        {
          id: uuidv7(),
          stream: { type: 'person', id },
          kind: 'settings',
          v: 1,
          body: { ...defaultSettings, fingerCm: person.fingerCm },
          at: new Date(clock()).toISOString(),
          offsetMs: 0,
          base: 1,
        },
        actor,
      )
    }
  }
  await syncCatalogue(stock)
  const [keeper] = actors
  if (keeper && lead)
    await writeDemoStore({ append, lead, importStock: createStockImport({ db, events, streams, stock, pool, clock }), keeper, now })
  if (lead) await writeDemoWard(append, lead, now)
  const writer = createDemoWriter({ append, streams, planner, now, clock: demoClock, actors })
  await writeLegSlabStories(writer)
  await writeTechniqueStories(writer)
  await writeEndedStories(writer)
  if (trainee) await writeCareStory(writer, trainee)
  await writeHomeStory(writer)
  const [examiner, second] = actors
  if (examiner && second && lead)
    await writePracticeStories(db, { learners, examiner: examiner.id, second: second.id, trainer: lead.id }, now)
  const past = { seed: 13, lastMs: now - 2 * dayMs, everyMs: dayMs, actors }
  await writeBulk({ db, events, streams }, [...pastStays(pastDays, past)])
}
