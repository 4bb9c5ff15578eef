import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { CaseAnswer } from '#contract/api/answers'
import type { Person } from '#contract/api/session'
import type { EventInput } from '#contract/event'
import type { TimerRecord } from '#contract/records/run'

interface WrenStore extends DBSchema {
  /** Text typed and not yet sent, by field. */
  drafts: { key: string; value: string }
  /** Events not yet acknowledged by the server, in order. */
  outbox: { key: string; value: { event: EventInput; order: number } }
  /** The last answer of the server for each case, for when it cannot be reached. */
  cases: { key: string; value: CaseAnswer }
  /** The last answer of the server to other questions, such as the Board's. */
  answers: { key: string; value: unknown }
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
  /** What the server said last at an address. */
  readAnswer<T>(path: string): Promise<T | undefined>
  writeAnswer(path: string, answer: unknown): Promise<void>
  readTimers(): Promise<readonly CaseTimers[]>
  /** Keeps the timers of a case; none takes the case off the list. */
  writeTimers(entry: CaseTimers): Promise<void>
}

/** Opens the durable store of one person. */
export async function openDurable(personId: string): Promise<Durable> {
  const db: IDBPDatabase<WrenStore> = await openDB<WrenStore>(`zesty-wren-${personId}`, 3, {
    upgrade(upgrading, oldVersion) {
      if (oldVersion < 1) {
        upgrading.createObjectStore('drafts')
        upgrading.createObjectStore('outbox')
        upgrading.createObjectStore('cases')
      }
      if (oldVersion < 2) upgrading.createObjectStore('timers')
      if (oldVersion < 3) upgrading.createObjectStore('answers')
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
    readAnswer: <T>(path: string) => db.get('answers', path) as Promise<T | undefined>,
    async writeAnswer(path, answer) {
      await db.put('answers', answer, path)
    },
    readTimers: () => db.getAll('timers'),
    async writeTimers(entry) {
      if (entry.timers.length === 0) await db.delete('timers', entry.caseId)
      else await db.put('timers', entry, entry.caseId)
    },
  }
}

/** Who works on this device, and when the server last said so, ms since the epoch by the device's clock. */
export interface KnownPerson {
  readonly person: Person
  readonly provenMs: number
}

interface DeviceStore extends DBSchema {
  facts: { key: 'last-person' | 'known-person'; value: string | KnownPerson }
}

async function withDevice<T>(work: (device: IDBPDatabase<DeviceStore>) => Promise<T>): Promise<T> {
  const device = await openDB<DeviceStore>('zesty-wren-device', 1, { upgrade: (upgrading) => void upgrading.createObjectStore('facts') })
  try {
    return await work(device)
  } finally {
    device.close()
  }
}

/** Notes who works on this device now. */
export async function rememberPerson(person: Person): Promise<void> {
  await withDevice(async (device) => {
    await device.put('facts', person.id, 'last-person')
    await device.put('facts', { person, provenMs: Date.now() }, 'known-person')
  })
}

/** Nobody works on this device any more: it does not start without the server. */
export async function forgetPerson(): Promise<void> {
  await withDevice((device) => device.delete('facts', 'known-person'))
}

/** Who worked on this device last, or undefined. */
export async function lastPerson(): Promise<string | undefined> {
  const id = await withDevice((device) => device.get('facts', 'last-person'))
  return typeof id === 'string' ? id : undefined
}

/** Who works on this device and has not signed out, or undefined. */
export async function knownPerson(): Promise<KnownPerson | undefined> {
  const known = await withDevice((device) => device.get('facts', 'known-person'))
  return typeof known === 'object' ? known : undefined
}
