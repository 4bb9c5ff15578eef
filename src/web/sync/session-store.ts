import { create } from 'zustand'
import { paths } from '#contract/api/paths'
import { type Person, type SessionAnswer } from '#contract/api/session'
import { defaultSettings, type PersonSettings } from '#contract/records/person'
import { callApi, reportSessionOver, setCsrf } from './api'
import { forgetPerson, knownPerson, lastPerson, openDurable, rememberPerson, type Durable } from './durable'
import { setServerClock } from './server-clock'

type SessionState =
  | { readonly status: 'loading' | 'signed-out' | 'unreachable' }
  | {
      readonly status: 'signed-in'
      readonly person: Person
      readonly durable: Durable
      /** Begun without the server, which has yet to say that the session still holds. */
      readonly isUnproven?: true
    }

interface SessionStore {
  readonly state: SessionState
  load(): Promise<void>
  /** Null when signed in; otherwise the sentence to show. */
  signIn(name: string, password: string): Promise<string | null>
  signOut(): Promise<void>
  setSettings(settings: PersonSettings, version: number): void
}

/** A shift: for so long the device starts without the server for whoever the server last knew on it. */
const longestUnprovenMs = 12 * 3_600_000

/** Who is signed in on this device. */
export const useSession = create<SessionStore>((set, get) => {
  const enter = async (answer: SessionAnswer): Promise<void> => {
    setCsrf(answer.csrf)
    setServerClock(answer.now)
    const { state } = get()
    if (!answer.person) {
      // What was opened without the server stays in sight under the lock: nothing typed is lost.
      if (state.status === 'signed-in') return reportSessionOver()
      void forgetPerson()
      return set({ state: { status: 'signed-out' } })
    }
    const isSame = state.status === 'signed-in' && state.person.id === answer.person.id
    const durable = isSame ? state.durable : await openDurable(answer.person.id)
    void rememberPerson(answer.person)
    set({ state: { status: 'signed-in', person: answer.person, durable } })
  }
  return {
    state: { status: 'loading' },
    async load() {
      const result = await callApi<SessionAnswer>('GET', paths.session)
      if (result.kind === 'ok') return enter(result.value)
      if (get().state.status === 'signed-in') return
      const known = await knownPerson()
      if (known && Date.now() - known.provenMs < longestUnprovenMs)
        set({ state: { status: 'signed-in', person: known.person, durable: await openDurable(known.person.id), isUnproven: true } })
      else set({ state: { status: 'unreachable' } })
    },
    async signIn(name, password) {
      const result = await callApi<SessionAnswer>('POST', paths.session, { name, password })
      if (result.kind === 'offline') return 'The server does not answer: check the network and try again.'
      if (result.kind === 'trouble') return 'The server has trouble: wait a moment, then try again.'
      if (result.kind === 'refused') return result.problem.detail
      await enter(result.value)
      return null
    },
    async signOut() {
      await callApi('DELETE', paths.session)
      await forgetPerson()
      setCsrf(null)
      set({ state: { status: 'signed-out' } })
    },
    setSettings(settings, version) {
      const { state } = get()
      if (state.status === 'signed-in') set({ state: { ...state, person: { ...state.person, settings, version } } })
    },
  }
})

/** The signed-in person's settings, or the defaults. */
export function useSettings(): PersonSettings {
  return useSession((store) => (store.state.status === 'signed-in' ? store.state.person.settings : defaultSettings))
}

/** The signed-in person; screens below the session gate may rely on it. */
export function usePerson(): Person {
  const person = useSession((store) => (store.state.status === 'signed-in' ? store.state.person : null))
  if (!person) throw new Error('This screen needs somebody signed in')
  return person
}

/** The durable store of the signed-in person, or null. */
export function currentDurable(): Durable | null {
  const { state } = useSession.getState()
  return state.status === 'signed-in' ? state.durable : null
}

/** The durable store of who was last signed in here, or null: timers go on running whoever is signed in. */
export async function lastDurable(): Promise<Durable | null> {
  const current = currentDurable()
  if (current) return current
  const last = await lastPerson()
  return last === undefined ? null : openDurable(last)
}
