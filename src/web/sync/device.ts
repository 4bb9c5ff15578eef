import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { v7 as uuidv7 } from 'uuid'
import type { TimerRecord } from '#contract/records/run'
import type { PairedDevice } from '#contract/api/session'
import type { Pinned } from './pin'
import type { OwnKeys } from './vault'

/** An entry that waits, closed for the server alone. */
export interface SealedEntry {
  readonly id: string
  /** Whose it is; nothing else of it can be read here. */
  readonly personId: string
  readonly isUrgent: boolean
  readonly order: number
  readonly sealed: string
  /** Of which case or stay it is: counted beside the patient it is about. */
  readonly streamId: string
}

/** A patient whom work on this device was begun for, as it is told before anybody may read more. */
export interface PatientHere {
  readonly caseId: string
  readonly episodeId: string
  /** Who began it: an account, or the device itself. */
  readonly personId: string
  /** Begun without an account: it stays listed until it is handed over or ended. Of an account it is while something of it is not sent. */
  readonly isAccountless: boolean
  /** "A.P.", or how somebody without a name is called. */
  readonly initials: string
  readonly device: string
  /** ISO 8601 UTC; null while nothing is on. */
  readonly onSince: string | null
  /** It is here no more, and where it went; ended where nobody took it. */
  readonly gone?: PatientGone
}

export interface PatientGone {
  /** Who has the patient; empty where the case has ended. */
  readonly by: string
  readonly at: string
  readonly place: string
}

/** Timers of a case without its patient: they go on whoever is signed in. */
export interface NamelessTimers {
  readonly caseId: string
  readonly runId: string
  readonly timers: readonly TimerRecord[]
}

/**
 * What a paired device keeps so that work begins on it without a line and without an account. Of the server it knows its own account, its
 * ticket and the key that closes entries; what is entered lies under two keys that are made here and that nobody can read out. They protect
 * the disk, not a tablet that lies open.
 */
export interface Alone extends PairedDevice {
  /** Null before anything was begun, and once it is over. */
  readonly keys: (OwnKeys & { readonly madeMs: number }) | null
  /** Whether work goes on here without an account: a page that is loaded anew goes on with it. */
  readonly isOn: boolean
}

/** What is known of the device itself, and of nobody who lies in a bed. */
export interface DeviceFacts {
  /** How it names itself to the server. */
  readonly id: string
  readonly isLocked: boolean
  /** Somebody signed out without a line: that is done before anything else is. */
  readonly isLeaving: boolean
  readonly pinned: Pinned | null
  /** What it needs to be worked on without a line and without an account; null where it is not paired. */
  readonly alone: Alone | null
}

interface DeviceStore extends DBSchema {
  facts: { key: keyof DeviceFacts; value: DeviceFacts[keyof DeviceFacts] }
  timers: { key: string; value: NamelessTimers }
  sealed: { key: string; value: SealedEntry }
  patients: { key: string; value: PatientHere }
}

const fresh: DeviceFacts = { id: '', isLocked: false, isLeaving: false, pinned: null, alone: null }

let opened: Promise<IDBPDatabase<DeviceStore>> | undefined
/** What a browser that keeps nothing still knows until the page is closed. */
let unkept: DeviceFacts = fresh

function open(): Promise<IDBPDatabase<DeviceStore>> {
  opened ??= openDB<DeviceStore>('zesty-wren-shared', 2, {
    upgrade(upgrading) {
      for (const store of ['facts', 'timers', 'sealed', 'patients'] as const)
        if (!upgrading.objectStoreNames.contains(store)) upgrading.createObjectStore(store)
    },
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
    terminated: () => (opened = undefined),
  })
  opened.catch(() => (opened = undefined))
  return opened
}

/** Reads what is known of the device; it gets its name when it has none. */
export async function readFacts(): Promise<DeviceFacts> {
  try {
    const db = await open()
    const [keys, values] = await Promise.all([db.getAllKeys('facts'), db.getAll('facts')])
    const facts: DeviceFacts = { ...fresh, ...Object.fromEntries(keys.map((key, index) => [key, values[index]])) }
    if (facts.id !== '') return facts
    const id = uuidv7()
    await db.put('facts', id, 'id')
    return { ...facts, id }
  } catch {
    if (unkept.id === '') unkept = { ...unkept, id: uuidv7() }
    return unkept
  }
}

/** Notes something of the device; a browser that keeps nothing knows it until it is closed. */
export async function noteFacts(facts: Partial<DeviceFacts>): Promise<void> {
  unkept = { ...unkept, ...facts }
  try {
    const writing = (await open()).transaction('facts', 'readwrite')
    for (const [key, value] of Object.entries(facts)) void writing.store.put(value, key as keyof DeviceFacts)
    await writing.done
  } catch {
    // Known here until the page is closed.
  }
}

/** The timers of every case that this device has seen running. */
export async function readTimers(): Promise<readonly NamelessTimers[]> {
  return (await open()).getAll('timers')
}

/** Keeps the timers of a case; none takes the case off the list. */
export async function writeTimers({ caseId, runId, timers }: NamelessTimers): Promise<void> {
  const db = await open()
  if (timers.length === 0) await db.delete('timers', caseId)
  else await db.put('timers', { caseId, runId, timers }, caseId)
}

/** Every patient of this device. */
export async function readPatients(): Promise<readonly PatientHere[]> {
  return (await open()).getAll('patients')
}
export async function writePatient(patient: PatientHere): Promise<void> {
  await (await open()).put('patients', patient, patient.caseId)
}
export async function dropPatient(caseId: string): Promise<void> {
  await (await open()).delete('patients', caseId)
}

/** Every closed entry, the oldest first. */
export async function readSealed(): Promise<readonly SealedEntry[]> {
  return (await (await open()).getAll('sealed')).sort((a, b) => a.order - b.order)
}
export async function keepSealed(entry: SealedEntry): Promise<void> {
  await (await open()).put('sealed', entry, entry.id)
}
export async function dropSealed(id: string): Promise<void> {
  await (await open()).delete('sealed', id)
}
