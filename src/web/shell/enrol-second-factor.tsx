import { Button } from '../parts/button'
import { SecondFactorForm } from '../parts/second-factor-form'
import { useSession } from '../sync/session-store'
import { Wren } from '../parts/wren'

/** Where the server wants it of somebody: an authenticator app comes before anything else. */
export function EnrolSecondFactor() {
  const { beginSecondFactor, confirmSecondFactor, load, signOut } = useSession()
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-md content-center gap-6 p-6">
      <Wren size={56} />
      <h1 className="text-2xl font-bold">Set up your authenticator app</h1>
      <p>This hospital asks you for a code beside the password.</p>
      <SecondFactorForm onBegin={beginSecondFactor} onConfirm={confirmSecondFactor} onDone={() => void load()} />
      <Button look="quiet" onClick={() => void signOut()}>
        Sign out
      </Button>
    </main>
  )
}
