import { useEffect } from 'react'
import { resumeTimers } from '../strip/timer-store'
import { countSealed } from '../sync/sealed-outbox'
import { useSession, type SessionState } from '../sync/session-store'
import { ChoosePassword } from './choose-password'
import { EmergencyEntry } from './emergency-entry'
import { EnrolSecondFactor } from './enrol-second-factor'
import { EntryPage, entryHeading } from './entry-page'
import { LeftSealed } from './left-sealed'
import { LockedClocks } from '../strip/locked-clocks'
import { PatientsWaiting } from './patients-waiting'
import { SignInScreen } from './sign-in-screen'
import { UnlockForm } from './unlock-form'

/** What comes before the work: signing in, opening what is locked, a password or a second factor that must be set first. */
export function BeforeWork({ state }: { state: SessionState }) {
  if (state.status !== 'signed-in') return <SignedOut state={state} />
  return state.mustChange ? <ChoosePassword /> : <EnrolSecondFactor />
}

/** Before anybody is signed in, or has opened what is locked, timers go on, without names. */
function SignedOut({ state }: { state: SessionState }) {
  useEffect(() => {
    void resumeTimers()
    void countSealed(null)
  }, [])
  return (
    <div className="flex min-h-dvh flex-col">
      <LockedClocks />
      {state.status === 'signed-out' ? (
        <SignInScreen />
      ) : state.status === 'locked' ? (
        <main className="contents">
          <EntryPage pose="asleep" heading={<h1 className={entryHeading}>Locked</h1>}>
            <PatientsWaiting />
            <LeftSealed />
            <UnlockForm
              lead={
                state.name === null
                  ? 'The server does not answer. The PIN opens what this device keeps; what is entered is sent when the server is back.'
                  : `Signed in: ${state.name}. Anybody may go on under their own name.`
              }
              name={state.signIn}
              submitLabel="Unlock"
              onOpen={() => undefined}
            />
          </EntryPage>
        </main>
      ) : (
        <Unreachable />
      )}
    </div>
  )
}

/** So often a page that found no server looks again: whoever waits for it may have no hand free. */
const againMs = 4_000

function Unreachable() {
  const load = useSession((store) => store.load)
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const lookLater = (): void => {
      timer = setTimeout(() => void load().then(() => (timer === undefined ? undefined : lookLater())), againMs)
    }
    lookLater()
    return () => {
      clearTimeout(timer)
      timer = undefined
    }
  }, [load])
  return (
    <main className="mx-auto grid max-w-md flex-1 place-content-center gap-4 p-6 text-center">
      <h1 className="text-lg font-bold">The server does not answer</h1>
      <p>What you typed is kept on this device. Check the network: this page looks again by itself every few seconds.</p>
      <PatientsWaiting />
      <LeftSealed />
      <button type="button" className="min-h-12 rounded-2xl bg-citrus px-5 font-bold text-on-citrus" onClick={() => void load()}>
        Try again
      </button>
      <EmergencyEntry />
    </main>
  )
}
