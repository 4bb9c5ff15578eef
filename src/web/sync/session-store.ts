import { create } from 'zustand'
import { paths } from '#contract/api/paths'
import { type DeviceKeys, type Person, type RecoveryAnswer, type SecondFactorAnswer, type SessionAnswer } from '#contract/api/session'
import { isPairedDevice } from '#contract/rights'
import { defaultSettings, type PersonSettings } from '#contract/records/person'
import { callApi, describeNoAnswer, reportSessionOver, setCsrf, setDevice, type ApiResult } from './api'
import { beginAlone, isBegun, notePaired, stepBack } from './alone'
import { noteFacts, readFacts } from './device'
import { dropKept, openDurable, type Durable } from './durable'
import { mostPinTries, pinWaitUntilMs, triesBeforeWait } from '#contract/pin-tries'
import { hasPatientsHere } from './patients-kept'
import { opensKeys, pinUp, unpin, type Pinned } from './pin'
import { setServerClock } from './server-clock'
import { canSeal, openVault, type Vault } from './vault'

export type SessionState =
  | { readonly status: 'loading' | 'signed-out' | 'unreachable' }
  /** The screen was locked when the page was loaded, or there is no line: nothing of a patient is here before it is opened. */
  /** `signIn` is empty, and `name` null, where only a PIN opens: the server does not answer. */
  | { readonly status: 'locked'; readonly name: string | null; readonly signIn: string }
  | {
      readonly status: 'signed-in'
      readonly person: Person
      readonly durable: Durable
      readonly keys: DeviceKeys | null
      /** They came in by a one-time code: nothing else before a password is chosen. */
      readonly mustChange?: true
      /** An authenticator app has to be set up before anything else. */
      readonly mustEnrol?: true
      /** Begun without the server, which has yet to say that the session still holds. */
      readonly isUnproven?: true
    }

/** What came of an emergency entry: where it begins, null where it goes on with what was begun; or the sentence to show. */
export type EmergencyOutcome = { readonly goesTo: string | null } | { readonly refusal: string }

interface SessionStore {
  readonly state: SessionState
  /** A PIN opens this device. */
  readonly hasPin: boolean
  /** The house keeps care teams, as far as the server said. */
  readonly hasCareTeams: boolean
  /** The demo world of a first start. */
  readonly isTrial: boolean
  /** As what this device is paired for emergency entry; null where it is not, or is not known to be. */
  readonly pairedAs: string | null
  /** The password was right, and a code of the authenticator app is asked for. */
  readonly wantsCode: boolean
  readonly hasSecondFactor: boolean
  load(): Promise<void>
  /** Null when signed in; otherwise the sentence to show. A PIN that could not be set along with it is set in Settings. */
  signIn(name: string, password: string, pin?: string, code?: string): Promise<string | null>
  /** Begins without an account on a paired device, with or without a line, or goes on with what was begun so. */
  enterEmergency(): Promise<EmergencyOutcome>
  /** Chooses a password; null, or the sentence to show. */
  changePassword(current: string, next: string): Promise<string | null>
  /** Begins to set up an authenticator app: what it is to read, or what is wrong in words. */
  beginSecondFactor(password: string): Promise<SecondFactorAnswer | string>
  /** Asks for its codes from now on: the recovery codes, or the sentence to show. The session is read again once they are put away. */
  confirmSecondFactor(code: string): Promise<RecoveryAnswer | string>
  /** Recovery codes in place of those of before, or the sentence to show. */
  renewRecovery(password: string): Promise<RecoveryAnswer | string>
  /** Sets the short PIN of this session on this device; null, or the sentence to show. */
  setPin(pin: string): Promise<string | null>
  /** Opens by the PIN, at the server or without it; null, or the sentence to show. */
  unlock(pin: string): Promise<string | null>
  /** Tells the server and the device that the screen is locked. */
  lock(): Promise<void>
  /** Ends the session; without a line that is done before anything else is when it returns. */
  signOut(): Promise<void>
  setSettings(settings: PersonSettings, version: number): void
}

/** A shift: for so long the device starts without the server for whoever the server last knew on it. */
const longestUnprovenMs = 12 * 3_600_000

/** Who is signed in on this device. */
export const useSession = create<SessionStore>((set, get) => {
  /** The PIN that opened this page without a line: a lock at the server is opened with it when the line is back. */
  let usedPin: string | null = null

  /** @param address where the page of a paired device begins that was somebody else's until now */
  const enter = async (answer: SessionAnswer, address = '/'): Promise<void> => {
    const { person, csrf, keys, isLocked, mustChange, mustEnrol, hasSecondFactor, hasPin, hasCareTeams, isTrial, paired, now } = answer
    setServerClock(now)
    set({ pairedAs: paired?.as ?? null, hasSecondFactor, hasCareTeams, isTrial, wantsCode: false })
    await notePaired(paired)
    const { state } = get()
    if (!person) {
      setCsrf(null)
      // What was opened without the server stays in sight under the lock: nothing typed is lost.
      if (state.status === 'signed-in') return reportSessionOver()
      await noteFacts({ pinned: null, isLocked: false })
      return set({ state: { status: 'signed-out' }, hasPin: false })
    }
    if (isLocked) {
      const pin = usedPin
      usedPin = null
      if (pin !== null && state.status === 'signed-in') return void (await get().unlock(pin))
      if (state.status === 'signed-in') return reportSessionOver()
      return set({ state: { status: 'locked', name: person.name, signIn: person.signIn } })
    }
    if (isPairedDevice(person.roles)) {
      setCsrf(csrf)
      if (await goOn(address, person, keys)) return
    }
    // Another person's page begins clean.
    if (state.status === 'signed-in' && state.person.id !== person.id) return window.location.reload()
    setCsrf(csrf)
    await stepBack()
    await noteProven(hasPin, keys)
    // Before a password was chosen there were no keys: what is kept from then on lies under them.
    const isAsBefore = state.status === 'signed-in' && (state.keys !== null || keys === null)
    const durable = isAsBefore ? state.durable : await openDurable(person.id, await vaultOf(keys))
    set({
      state: {
        status: 'signed-in',
        person: await withWaiting(person, durable),
        durable,
        keys,
        ...(mustChange ? { mustChange } : {}),
        ...(mustEnrol ? { mustEnrol } : {}),
      },
    })
  }

  /**
   * Goes on without an account, with or without a line. Another person's page begins clean, and what was entered before the last keys went
   * cannot be read any more.
   * @param address where a page begins that was somebody else's
   * @param keys as the server told them; null without a line
   * @returns whether this device is known to be paired
   */
  const goOn = async (address: string, person: Person | null, keys: DeviceKeys | null): Promise<boolean> => {
    const { state } = get()
    const { alone } = await readFacts()
    if (!alone) return false
    const device = person ?? alone.person
    const isSame = state.status === 'signed-in' && state.person.id === device.id
    const begun = await beginAlone(isSame)
    if (state.status === 'signed-in' && !isSame) return beginClean(address)
    if (begun.isNew) await dropKept(device.id)
    const durable = isSame ? state.durable : await openDurable(device.id, begun.vault)
    set({ pairedAs: alone.as, state: { status: 'signed-in', person: device, durable, keys, ...(person ? {} : { isUnproven: true }) } })
    return true
  }

  /** A PIN belongs to a session: that of another one opens nothing here. */
  const noteProven = async (isPinKnown: boolean, keys: DeviceKeys | null): Promise<void> => {
    const { pinned: before } = await readFacts()
    // A PIN that opens the keys of before opens nothing that is kept from now on: it is set anew, or typed once with a line.
    const pinned = before && (await opensKeys(before, keys)) ? before : null
    // Whether the screen is locked is no part of it: that the server is back opens nothing.
    await noteFacts({ pinned: pinned && isPinKnown ? { ...withoutWait(pinned), provenMs: Date.now(), tries: 0 } : null })
    set({ hasPin: isPinKnown && pinned !== null })
  }

  /** Opens by the PIN without a line. */
  const unlockAlone = async (pin: string): Promise<string | null> => {
    const { pinned } = await readFacts()
    if (!pinned) return 'No PIN opens this device: the server is needed, and it does not answer.'
    const waitMs = (pinned.waitUntilMs ?? 0) - Date.now()
    if (waitMs > 0) return `Too many wrong PINs: wait ${Math.ceil(waitMs / 60_000)} min, or use your password when the server answers.`
    const opened = await unpin(pinned, pin)
    if (!opened) {
      const tries = pinned.tries + 1
      const isOver = tries >= mostPinTries
      const waitUntilMs = pinWaitUntilMs(tries, Date.now())
      const { waitUntilMs: _, ...rest } = pinned
      await noteFacts({ pinned: isOver ? null : { ...rest, tries, ...(waitUntilMs === null ? {} : { waitUntilMs }) } })
      set({ hasPin: !isOver })
      if (isOver) return 'The PIN opens this no more: the password does, when the server answers. What was entered is kept.'
      return waitUntilMs === null
        ? `This is not the PIN: ${triesBeforeWait(tries)} more ${triesBeforeWait(tries) === 1 ? 'try' : 'tries'} before it waits.`
        : `This is not the PIN: wait ${Math.round((waitUntilMs - Date.now()) / 60_000)} min before the next try.`
    }
    usedPin = pin
    await noteFacts({ isLocked: false, pinned: { ...withoutWait(pinned), tries: 0 } })
    const { person, keys } = opened
    await stepBack()
    const { state } = get()
    // Somebody else's page begins clean, and asks once more.
    if (state.status === 'signed-in' && state.person.id !== person.id) await beginClean(window.location.href)
    if (state.status !== 'signed-in')
      set({ state: { status: 'signed-in', person, durable: await openDurable(person.id, await vaultOf(keys)), keys, isUnproven: true } })
    return null
  }

  /** Opens the session of the paired device; null, or why not. */
  const openForDevice = async (address: string): Promise<Exclude<ApiResult<unknown>, { readonly kind: 'ok' }> | null> => {
    const result = await callApi<SessionAnswer>('POST', paths.sessionEmergency)
    if (result.kind !== 'ok') return result
    await noteFacts({ isLocked: false, isLeaving: false })
    await enter(result.value, address)
    return null
  }

  return {
    state: { status: 'loading' },
    hasPin: false,
    hasCareTeams: false,
    isTrial: false,
    pairedAs: null,
    wantsCode: false,
    hasSecondFactor: false,
    async load() {
      const facts = await readFacts()
      setDevice(facts.id)
      set({ hasPin: facts.pinned !== null, pairedAs: facts.alone?.as ?? null })
      const isAlone = facts.alone?.isOn === true && !facts.isLocked
      const isAnew = get().state.status !== 'signed-in'
      // Whoever came in meanwhile, by an emergency entry or a PIN, is not put out by an answer about before.
      const isOvertaken = (): boolean => isAnew && get().state.status === 'signed-in'
      if (facts.isLeaving && !isAlone && !(await leave())) return isOvertaken() ? undefined : set({ state: { status: 'unreachable' } })
      // A lock that never reached the server is made good before anything is shown.
      if (isAnew && facts.isLocked) await callApi('POST', paths.sessionLock, {})
      const result = await callApi<SessionAnswer>('GET', paths.session)
      if (isOvertaken()) return
      if (result.kind === 'ok') {
        // What was begun without a line has no session yet, or that of whoever was here before.
        const isNobodys = !isPairedDevice(result.value.person?.roles ?? [])
        return isAlone && isNobodys && (await openForDevice('/')) === null ? undefined : enter(result.value)
      }
      if (!isAnew) return
      if (isBegun(facts) && !facts.isLocked && (await goOn('/', null, null))) return
      const isRecent = facts.pinned !== null && Date.now() - facts.pinned.provenMs < longestUnprovenMs
      set({ state: isRecent ? { status: 'locked', name: null, signIn: '' } : { status: 'unreachable' } })
    },
    async signIn(name, password, pin = '', code = '') {
      const result = await callApi<SessionAnswer>('POST', paths.session, { name, password, ...(code ? { code } : {}) })
      if (result.kind !== 'ok') {
        if (result.kind === 'refused' && result.problem.type.endsWith('second-factor')) set({ wantsCode: true })
        return refusalOf(result)
      }
      await noteFacts({ isLocked: false })
      const { person, keys, csrf } = result.value
      setCsrf(csrf)
      const isPinned = pin !== '' && person !== null && (await keepPin(person, keys, pin)) === null
      await enter(isPinned ? { ...result.value, hasPin: true } : result.value)
      return null
    },
    async enterEmergency() {
      const facts = await readFacts()
      // A device that has patients begins at their list: nobody looks for one in vain.
      const begins = facts.alone && (await hasPatientsHere(facts.alone.person.id)) ? '/' : '/new'
      const goesTo = isBegun(facts) ? null : begins
      const result = await openForDevice(begins)
      if (result === null) return { goesTo }
      if (result.kind === 'refused') return { refusal: refusalOf(result) }
      await noteFacts({ isLocked: false })
      return (await goOn(begins, null, null)) ? { goesTo } : { refusal: refusalOf(result) }
    },
    async changePassword(current, next) {
      const result = await callApi('POST', paths.sessionPassword, { current, next })
      if (result.kind !== 'ok') return refusalOf(result)
      await get().load()
      return null
    },
    async beginSecondFactor(password) {
      const result = await callApi<SecondFactorAnswer>('POST', paths.sessionSecondFactor, { password })
      return result.kind === 'ok' ? result.value : refusalOf(result)
    },
    async confirmSecondFactor(code) {
      const result = await callApi<RecoveryAnswer>('POST', paths.sessionSecondFactorConfirm, { code })
      return result.kind === 'ok' ? result.value : refusalOf(result)
    },
    async renewRecovery(password) {
      const result = await callApi<RecoveryAnswer>('POST', paths.sessionRecovery, { password })
      return result.kind === 'ok' ? result.value : refusalOf(result)
    },
    async setPin(pin) {
      const { state } = get()
      const refused = state.status === 'signed-in' ? await keepPin(state.person, state.keys, pin) : 'Sign in first.'
      if (refused === null) set({ hasPin: true })
      return refused
    },
    async unlock(pin) {
      const result = await callApi<SessionAnswer>('POST', paths.sessionUnlock, { pin })
      if (result.kind === 'ok') {
        const { person, keys } = result.value
        const { pinned } = await readFacts()
        const isOld = pinned !== null && person !== null && keys !== null && !(await opensKeys(pinned, keys))
        await noteFacts({ isLocked: false, ...(isOld ? { pinned: await pinUp({ person, keys }, pin, Date.now()) } : {}) })
        await enter(result.value)
        return null
      }
      if (result.kind !== 'refused') return unlockAlone(pin)
      if (result.problem.type.endsWith('no-pin')) {
        await noteFacts({ pinned: null })
        set({ hasPin: false })
      }
      return result.problem.detail
    },
    async lock() {
      await noteFacts({ isLocked: true })
      await callApi('POST', paths.sessionLock, {})
    },
    async signOut() {
      await noteFacts({ pinned: null, isLocked: false, isLeaving: true })
      await stepBack()
      await leave()
      // Nothing of the one who left stays in the page.
      window.location.replace('/')
    },
    setSettings(settings, version) {
      const { state } = get()
      if (state.status === 'signed-in') set({ state: { ...state, person: { ...state.person, settings, version } } })
    },
  }
})

/** A page of somebody else: nothing of what was here before is in its memory. @param address where it begins */
function beginClean(address: string): Promise<never> {
  if (address === window.location.href) window.location.reload()
  else window.location.assign(address)
  return new Promise<never>(() => undefined)
}

/** Ends the session at the server. @returns whether that is done */
async function leave(): Promise<boolean> {
  const session = await callApi<SessionAnswer>('GET', paths.session)
  if (session.kind !== 'ok') return false
  if (session.value.person) {
    setCsrf(session.value.csrf)
    const ended = await callApi('DELETE', paths.session)
    setCsrf(null)
    if (ended.kind !== 'ok') return false
  }
  await noteFacts({ isLeaving: false })
  return true
}

/** A person with the settings that they changed here and that are still on their way. */
async function withWaiting(person: Person, durable: Durable): Promise<Person> {
  const waiting = (await durable.readOutbox()).filter((event) => event.kind === 'settings' && event.stream.id === person.id)
  const last = waiting.at(-1)
  return last ? { ...person, settings: last.body as PersonSettings, version: person.version + waiting.length } : person
}

/** Sets a PIN at the server and on the device; null, or the sentence to show. */
async function keepPin(person: Person, keys: DeviceKeys | null, pin: string): Promise<string | null> {
  if (!keys || !canSeal) return 'This browser keeps no keys: no PIN can be set here.'
  const result = await callApi('POST', paths.sessionPin, { pin })
  if (result.kind !== 'ok') return refusalOf(result)
  await noteFacts({ pinned: await pinUp({ person, keys }, pin, Date.now()) })
  return null
}

function refusalOf(result: Exclude<ApiResult<unknown>, { readonly kind: 'ok' }>): string {
  if (result.kind === 'refused') return result.problem.detail
  return result.kind === 'offline'
    ? 'The server does not answer: check the network and try again.'
    : `${describeNoAnswer(result)}: wait a moment, then try again.`
}

function withoutWait({ waitUntilMs: _, ...pinned }: Pinned): Pinned {
  return pinned
}

async function vaultOf(keys: DeviceKeys | null): Promise<Vault | null> {
  return keys && canSeal ? openVault(keys) : null
}

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
