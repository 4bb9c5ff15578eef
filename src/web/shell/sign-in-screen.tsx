import { useSession } from '../sync/session-store'
import { CredentialsForm } from './credentials-form'
import { EmergencyEntry } from './emergency-entry'
import { LeftSealed } from './left-sealed'
import { Wren } from './wren'

/** Name and password; nothing else stands between a clinician and the tape. */
export function SignInScreen() {
  const signIn = useSession((store) => store.signIn)
  return (
    <main className="mx-auto grid w-full max-w-md flex-1 content-center gap-8 p-6">
      <header className="grid gap-3">
        <Wren size={56} />
        <h1 className="text-3xl font-bold">Zesty Wren</h1>
        <p className="text-lg">Measure well, know why, check again.</p>
      </header>
      <LeftSealed />
      <CredentialsForm submitLabel="Sign in" busyLabel="Signing in…" onSubmit={signIn} offersPin />
      <EmergencyEntry />
      <p className="text-sm text-soft">
        Decision support for trained staff. It supports, reminds and records; it does not monitor. Local policy and the licensed clinician’s
        judgement come first.
      </p>
    </main>
  )
}
