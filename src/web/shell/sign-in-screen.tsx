import { useSession } from '../sync/session-store'
import { CredentialsForm } from './credentials-form'
import { EmergencyEntry } from './emergency-entry'
import { EntryPage, entryHeading } from './entry-page'
import { LeftSealed } from './left-sealed'
import { PatientsWaiting } from './patients-waiting'

/** Name and password; nothing else stands between a clinician and the tape. */
export function SignInScreen() {
  const signIn = useSession((store) => store.signIn)
  return (
    <main className="contents">
      <EntryPage
        pose="listening"
        heading={
          <>
            <h1 className={entryHeading}>Zesty Wren</h1>
            <p className="text-lg">Measure well, know why, check again.</p>
          </>
        }
      >
        <PatientsWaiting />
        <LeftSealed />
        <CredentialsForm submitLabel="Sign in" busyLabel="Signing in…" onSubmit={signIn} offersPin />
        <EmergencyEntry />
        <p className="text-sm text-soft">
          Decision support for trained staff. It supports, reminds and records; it does not monitor. Local policy and the licensed
          clinician’s judgement come first.
        </p>
      </EntryPage>
    </main>
  )
}
