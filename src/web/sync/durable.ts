import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { CaseAnswer } from '#contract/api/answers'
import type { EventInput } from '#contract/event'
import type { TimerRecord } from '#contract/records/run'

interface WrenStore extends DBSchema {
  /** Text typed and not yet sent, by field. */
  drafts: { key: string; value: string }
  /** Events not yet acknowledged by the server, in order. */
  outbox: { key: string; value: { event: EventInput; order: number } }
  /** The last answer of the server for each case, for when it cannot be reached. */
  cases: { key: string; value: CaseAnswer }
  /** Running timers by case, so that every screen shows them after a reload. */
  timers: { key: string; value: CaseTimers }
}

/** The timers of one case that this device has seen running. */
export interface CaseTimers {
  readonly caseId: string
  readonly runId: string
  /** Whose they are, as the strip says it. */
  readonly patient: string
  readonly timers: readonly TimerRecord[]
}

/** Everything that must survive a closed tab, a lost network or a crash: one database per person. */
export interface Durable {
  readDraft(key: string): Promise<string | undefined>
  writeDraft(key: string, text: string): Promise<void>
  readOutbox(): Promise<readonly EventInput[]>
  addToOutbox(event: EventInput): Promise<void>
  dropFromOutbox(id: string): Promise<void>
  readCase(id: string): Promise<CaseAnswer | undefined>
  writeCase(answer: CaseAnswer): Promise<void>
  readTimers(): Promise<readonly CaseTimers[]>
  /** Keeps the timers of a case; none takes the case off the list. */
  writeTimers(entry: CaseTimers): Promise<void>
}

/** Opens the durable store of one person. */
export async function openDurable(personId: string): Promise<Durable> {
  const db: IDBPDatabase<WrenStore> = await openDB<WrenStore>(`zesty-wren-${personId}`, 2, {
    upgrade(upgrading, oldVersion) {
      if (oldVersion < 1) {
        upgrading.createObjectStore('drafts')
        upgrading.createObjectStore('outbox')
        upgrading.createObjectStore('cases')
      }
      if (oldVersion < 2) upgrading.createObjectStore('timers')
    },
    blocking(_current, _blocked, event) {
      // A newer page wants to upgrade the store: make way, the newer page carries on.
      ;(event.target as IDBDatabase).close()
    },
  })
  let order = Date.now() * 1000
  return {
    readDraft: (key) => db.get('drafts', key),
    async writeDraft(key, text) {
      if (text === '') await db.delete('drafts', key)
      else await db.put('drafts', text, key)
    },
    async readOutbox() {
      const all = await db.getAll('outbox')
      return all.sort((a, b) => a.order - b.order).map((one) => one.event)
    },
    async addToOutbox(event) {
      await db.put('outbox', { event, order: order++ }, event.id)
    },
    dropFromOutbox: (id) => db.delete('outbox', id),
    async readCase(id) {
      const kept = await db.get('cases', id)
      // Kept by an older page: what it contains is not known.
      return kept && { ...kept, contains: kept.contains ?? [] }
    },
    async writeCase(answer) {
      await db.put('cases', answer, answer.record.id)
    },
    readTimers: () => db.getAll('timers'),
    async writeTimers(entry) {
      if (entry.timers.length === 0) await db.delete('timers', entry.caseId)
      else await db.put('timers', entry, entry.caseId)
    },
  }
}

interface DeviceStore extends DBSchema {
  facts: { key: 'last-person'; value: string }
}

const openDevice = (): Promise<IDBPDatabase<DeviceStore>> =>
  openDB<DeviceStore>('zesty-wren-device', 1, { upgrade: (upgrading) => void upgrading.createObjectStore('facts') })

/** Notes who works on this device now. */
export async function rememberPerson(personId: string): Promise<void> {
  const device = await openDevice()
  await device.put('facts', personId, 'last-person')
  device.close()
}

/** Who worked on this device last, or undefined. */
export async function lastPerson(): Promise<string | undefined> {
  const device = await openDevice()
  const id = await device.get('facts', 'last-person')
  device.close()
  return id
}
