import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { create } from 'zustand'
import type { CaseAnswer } from '#contract/api/answers'
import type { DrillPost } from '#contract/api/practice'
import type { EventInput } from '#contract/event'
import { eventSchemasHash } from '#contract/events/event-schemas-hash'
import { findEventKind } from '#contract/events/index'
import { dropSealed, keepSealed, readTimers, writeTimers, type NamelessTimers } from './device'
import type { Sealed, Vault } from './vault'

interface WrenStore extends DBSchema {
  /** Text typed and not yet sent, by field. */
  drafts: { key: string; value: Sealed }
  /** What the server has yet to get, in order: events, and what was practised. */
  outbox: { key: string; value: { readonly sealed: Sealed; readonly order: number } & OfVersion }
  /** The last answer of the server for each case, for when it cannot be reached. */
  cases: { key: string; value: SealedAnswer }
  /** The last answer of the server to other questions, such as the Board's. */
  answers: { key: string; value: SealedAnswer }
}

/** Which version of the application put something away: what another one did is no answer here, and is not sent. */
interface OfVersion {
  readonly schemas?: string
}

/** An answer put away, with how far it reaches: stream versions, or the time at the server. */
interface SealedAnswer extends Sealed, OfVersion {
  readonly reaches: readonly number[]
}

/** The timers of one case that this device has seen running. */
export interface CaseTimers extends NamelessTimers {
  /** Whose they are, as the strip says it; empty before anybody has signed in. */
  readonly patient: string
  /** Where that patient lies. */
  readonly place?: string
}

/** What was practised and is yet to be sent: a night with its moves, or whatever a run has left, which its own draft holds. */
export type Practised =
  | { readonly what: 'drill'; readonly id: string; readonly post: DrillPost }
  | { readonly what: 'run'; readonly id: string }

/** An entry, or something practised, that another version left unsent. */
export type LeftByOther = EventInput | Practised

/** Everything that must survive a closed tab, a lost network or a crash: one database per person, readable by nobody else. */
export interface Durable {
  readDraft(key: string): Promise<string | undefined>
  writeDraft(key: string, text: string): Promise<void>
  readOutbox(): Promise<readonly EventInput[]>
  /** What another version of the application left unsent here: it is shown, so that somebody writes it down, and never sent. */
  readLeftByOthers(): Promise<readonly LeftByOther[]>
  /** Whose a stream is, by what any version kept here of its case: name and place; empty where that is not known. */
  readWhose(streamId: string): Promise<string>
  addToOutbox(event: EventInput): Promise<void>
  dropFromOutbox(id: string): Promise<void>
  /** What was practised and waits in the same store: it is dropped like an event. */
  readPractised<Kind extends Practised['what']>(what: Kind): Promise<readonly Extract<Practised, { what: Kind }>[]>
  addPractised(practised: Practised): Promise<void>
  readCase(id: string): Promise<CaseAnswer | undefined>
  writeCase(answer: CaseAnswer): Promise<void>
  /** A case that was handed over is read here no more. */
  dropCase(id: string): Promise<void>
  /** What the server said last at an address. */
  readAnswer<T>(path: string): Promise<T | undefined>
  writeAnswer(path: string, answer: { readonly now?: string }): Promise<void>
  readTimers(): Promise<readonly CaseTimers[]>
  /** Keeps the timers of a case; none takes the case off the list. */
  writeTimers(entry: CaseTimers): Promise<void>
}

/** Whether this device keeps what is entered: `nothing` in a browser that does not keep anything, `full` when its store is. */
export const useKeeping = create<{ readonly state: 'all' | 'full' | 'nothing' }>(() => ({ state: 'all' }))

const stores = ['drafts', 'outbox', 'cases', 'answers'] as const

/**
 * Opens the durable store of one person. What it cannot keep it says (`useKeeping`) and goes on with: a device that is full, or keeps
 * nothing, must not stop anybody's work.
 * @param vault theirs; null where the browser cannot close anything: then nothing is written, since nothing may lie there in the plain
 */
export async function openDurable(personId: string, vault: Vault | null): Promise<Durable> {
  const db = vault && (await open(personId).catch(() => null))
  if (!vault || !db) {
    useKeeping.setState({ state: 'nothing' })
    return unkept()
  }
  // It kept nothing while there was no key yet: who came by a one-time code had chosen no password.
  if (useKeeping.getState().state === 'nothing') useKeeping.setState({ state: 'all' })
  const last = new Map<string, Promise<unknown>>()
  /**
   * In turn, for each thing by itself: what is closed later is never overtaken by what was closed before, and nothing waits for anything else,
   * since a page that is left finishes only what it has begun.
   */
  const inTurn = <T>(thing: string, work: () => Promise<T>): Promise<T> => {
    const before = last.get(thing)
    const done = before ? before.then(work) : work()
    const settled = done
      .catch(() => undefined)
      .finally(() => {
        if (last.get(thing) === settled) last.delete(thing)
      })
    last.set(thing, settled)
    return done
  }
  const names = new Map<string, Promise<string>>()
  const nameOf = (text: string): Promise<string> => {
    const known = names.get(text) ?? vault.nameOf(text)
    names.set(text, known)
    return known
  }
  const write = (thing: string, work: () => Promise<void>): Promise<void> =>
    inTurn(thing, work).then(
      () => {
        if (useKeeping.getState().state === 'full') useKeeping.setState({ state: 'all' })
      },
      () => useKeeping.setState({ state: 'full' }),
    )
  /** What is typed faster than it can be closed is written once, as it stands by then: a draft that is cleared is gone at once. */
  const typed = new Map<string, { text: string; readonly written: Promise<void> }>()
  const writeTyped = (key: string, text: string): Promise<void> => {
    const waits = typed.get(key)
    if (waits) {
      waits.text = text
      return waits.written
    }
    const written = write(`drafts ${key}`, async () => {
      const name = await nameOf(key)
      const latest = typed.get(key)?.text ?? text
      typed.delete(key)
      if (latest === '') await db.delete('drafts', name)
      else await db.put('drafts', await vault.put(latest), name)
    })
    typed.set(key, { text, written })
    return written
  }
  const read = <T>(store: 'drafts' | 'answers', key: string): Promise<T | undefined> =>
    inTurn(`${store} ${key}`, async () => {
      const name = await nameOf(key)
      const kept = store === 'answers' ? ofThisVersion(await db.get('answers', name)) : await db.get(store, name)
      return kept || !vault.before ? vault.take<T>(kept) : readBefore<T>(vault.before, store, key, name)
    })
  /** What lies there under the key and the name of before is kept anew. */
  const readBefore = async <T>(
    before: NonNullable<Vault['before']>,
    store: 'drafts' | 'answers',
    key: string,
    name: string,
  ): Promise<T | undefined> => {
    const old = await before.nameOf(key)
    const value = await before.take<T>(await db.get(store, old))
    if (value === undefined) return undefined
    if (store === 'drafts') await db.put('drafts', await vault.put(value), name)
    else await db.put('answers', { ...(await vault.put(value)), ...version, reaches: [] }, name)
    await db.delete(store, old)
    return value
  }
  /** Puts an answer away, unless a later one lies there: another page of this browser may have written it meanwhile. */
  const putLater = async (store: 'cases' | 'answers', name: string, answer: unknown, reaches: readonly number[]): Promise<void> => {
    const sealed = await vault.put(answer)
    const { store: kept, done } = db.transaction(store, 'readwrite')
    const before = ofThisVersion(await kept.get(name))?.reaches ?? []
    if (before.every((reached, at) => reached <= (reaches[at] ?? Infinity))) await kept.put({ ...sealed, ...version, reaches }, name)
    await done
  }
  const readRows = (isOfThis: boolean): Promise<readonly LeftByOther[]> =>
    inTurn('outbox', async () => {
      const all = (await db.getAll('outbox')).filter((row) => (ofThisVersion(row) !== undefined) === isOfThis)
      const waiting = await Promise.all(all.sort((a, b) => a.order - b.order).map(({ sealed }) => vault.take<LeftByOther>(sealed)))
      return waiting.filter((one) => one !== undefined)
    })
  const readWaiting = (): ReturnType<typeof readRows> => readRows(true)
  let order = Date.now() * 1000
  if (vault.before) await inTurn('outbox', () => keepAnew(db, vault, vault.before))

  return {
    readDraft: (key) => read<string>('drafts', key),
    writeDraft: writeTyped,
    readLeftByOthers: () => readRows(false),
    readWhose: async (streamId) => {
      for (const row of await db.getAll('cases')) {
        const kept = await vault.take<KeptLoosely>(row)
        if (kept?.record?.id !== streamId && kept?.episode?.id !== streamId) continue
        return [kept.episode?.patient?.name, kept.episode?.place].filter(Boolean).join(', ')
      }
      return ''
    },
    readOutbox: async () => (await readWaiting()).filter((left): left is EventInput => !('what' in left)),
    readPractised: async <Kind extends Practised['what']>(what: Kind) =>
      (await readWaiting()).filter((left) => 'what' in left && left.what === what) as Extract<Practised, { what: Kind }>[],
    addPractised: (practised) =>
      write(`outbox ${practised.id}`, async () => {
        const place = order++
        await db.put('outbox', { sealed: await vault.put(practised), order: place, ...version }, practised.id)
      }),
    addToOutbox: (event) =>
      write(`outbox ${event.id}`, async () => {
        const place = order++
        await db.put('outbox', { sealed: await vault.put(event), order: place, ...version }, event.id)
        const isUrgent = findEventKind(event.kind)?.isUrgent === true
        await keepSealed({ id: event.id, personId, isUrgent, order: place, sealed: await vault.seal(event), streamId: event.stream.id })
      }),
    dropFromOutbox: (id) =>
      write(`outbox ${id}`, async () => {
        await dropSealed(id)
        await db.delete('outbox', id)
      }),
    readCase: (id) => inTurn(`cases ${id}`, async () => vault.take<CaseAnswer>(ofThisVersion(await db.get('cases', id)))),
    writeCase: (answer) =>
      write(`cases ${answer.record.id}`, () => putLater('cases', answer.record.id, answer, [answer.version, answer.episodeVersion])),
    dropCase: (id) => write(`cases ${id}`, () => db.delete('cases', id)),
    readAnswer: <T>(path: string) => read<T>('answers', path),
    writeAnswer: (path, answer) =>
      write(`answers ${path}`, async () =>
        putLater('answers', await nameOf(path), answer, answer.now === undefined ? [] : [Date.parse(answer.now)]),
      ),
    readTimers: async () =>
      Promise.all(
        (await readTimers()).map(async (timer) => ({ ...timer, ...((await read<Whose>('answers', nameKey(timer.caseId))) ?? nobody) })),
      ),
    writeTimers: (entry) =>
      write(`answers ${nameKey(entry.caseId)}`, async () => {
        await writeTimers(entry)
        await db.put(
          'answers',
          { ...(await vault.put({ patient: entry.patient, place: entry.place ?? '' } satisfies Whose)), ...version, reaches: [] },
          await nameOf(nameKey(entry.caseId)),
        )
      }),
  }
}

/** Whose clocks they are, closed away apart from the clocks themselves. */
type Whose = Pick<CaseTimers, 'patient' | 'place'>
const nobody: Whose = { patient: '', place: '' }

/** What is read of an answer that another version may have kept: nothing of it need be there. */
interface KeptLoosely {
  readonly record?: { readonly id?: string }
  readonly episode?: { readonly id?: string; readonly place?: string; readonly patient?: { readonly name?: string } }
}

const version: OfVersion = { schemas: eventSchemasHash }

function ofThisVersion<Row extends OfVersion>(row: Row | undefined): Row | undefined {
  return row?.schemas === eventSchemasHash ? row : undefined
}

/** What waits, and what is known of cases, lies under the key of now from here on. */
async function keepAnew(db: IDBPDatabase<WrenStore>, vault: Vault, before: Vault['before']): Promise<void> {
  for (const id of await db.getAllKeys('outbox')) {
    const kept = await db.get('outbox', id)
    const value = await before?.take(kept?.sealed)
    if (kept && value !== undefined) await db.put('outbox', { ...kept, sealed: await vault.put(value) }, id)
  }
  for (const id of await db.getAllKeys('cases')) {
    const kept = await db.get('cases', id)
    const value = await before?.take(kept)
    if (kept && value !== undefined) await db.put('cases', { ...kept, ...(await vault.put(value)) }, id)
  }
}

/** Deletes what lies here of a person that nobody can read any more; what waits to be sent lies closed for the server beside it. */
export async function dropKept(personId: string): Promise<void> {
  await deleteDB(nameOfStore(personId)).catch(() => undefined)
}

function nameOfStore(personId: string): string {
  return `zesty-wren-kept-${personId}`
}

function nameKey(caseId: string): string {
  return `timers/${caseId}`
}

function open(personId: string): Promise<IDBPDatabase<WrenStore>> {
  return openDB<WrenStore>(nameOfStore(personId), 1, {
    upgrade(upgrading) {
      for (const store of stores) upgrading.createObjectStore(store)
    },
    blocking(_current, _blocked, event) {
      // A newer page wants to upgrade the store: make way, the newer page carries on.
      ;(event.target as IDBDatabase).close()
    },
  })
}

/** What stands in for a store where there is none: it lasts as long as the page. */
function unkept(): Durable {
  const [drafts, answers, cases] = [new Map<string, string>(), new Map<string, unknown>(), new Map<string, CaseAnswer>()]
  const done = Promise.resolve()
  return {
    readDraft: (key) => Promise.resolve(drafts.get(key)),
    writeDraft: (key, text) => done.then(() => void drafts.set(key, text)),
    readOutbox: () => Promise.resolve([]),
    readLeftByOthers: () => Promise.resolve([]),
    readWhose: () => Promise.resolve(''),
    addToOutbox: () => done,
    readPractised: () => Promise.resolve([]),
    addPractised: () => done,
    dropFromOutbox: () => done,
    readCase: (id) => Promise.resolve(cases.get(id)),
    writeCase: (answer) => done.then(() => void cases.set(answer.record.id, answer)),
    dropCase: (id) => done.then(() => void cases.delete(id)),
    readAnswer: <T>(path: string) => Promise.resolve(answers.get(path) as T | undefined),
    writeAnswer: (path, answer) => done.then(() => void answers.set(path, answer)),
    readTimers: () => Promise.resolve([]),
    writeTimers: () => done,
  }
}
