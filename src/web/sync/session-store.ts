import { create } from 'zustand'
import { paths } from '#contract/api/paths'
import { type Person, type SessionAnswer } from '#contract/api/session'
import { defaultSettings, type PersonSettings } from '#contract/records/person'
import { callApi, setCsrf } from './api'
import { lastPerson, openDurable, rememberPerson, type Durable } from './durable'
import { setServerClock } from './server-clock'

type SessionState =
  | { readonly status: 'loading' | 'signed-out' | 'unreachable' }
  | { readonly status: 'signed-in'; readonly person: Person; readonly durable: Durable }

interface SessionStore {
  readonly state: SessionState
  load(): Promise<void>
  /** Null when signed in; otherwise the sentence to show. */
  signIn(name: string, password: string): Promise<string | null>
  signOut(): Promise<void>
  setSettings(settings: PersonSettings, version: number): void
}

/** Who is signed in on this device. */
export const useSession = create<SessionStore>((set, get) => {
  const enter = async (answer: SessionAnswer): Promise<void> => {
    setCsrf(answer.csrf)
    setServerClock(answer.now)
    if (!answer.person) return set({ state: { status: 'signed-out' } })
    const durable = await openDurable(answer.person.id)
    void rememberPerson(answer.person.id)
    set({ state: { status: 'signed-in', person: answer.person, durable } })
  }
  return {
    state: { status: 'loading' },
    async load() {
      const result = await callApi<SessionAnswer>('GET', paths.session)
      if (result.kind === 'ok') await enter(result.value)
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
