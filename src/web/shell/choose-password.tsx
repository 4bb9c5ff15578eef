import { PasswordForm } from '../parts/password-form'
import { useSession } from '../sync/session-store'
import { Wren } from '../parts/wren'

/** After a one-time code: a password of one's own comes before anything else. */
export function ChoosePassword() {
  const changePassword = useSession((store) => store.changePassword)
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-md content-center gap-6 p-6">
      <Wren size={56} />
      <h1 className="text-2xl font-bold">Choose your password</h1>
      <p>You came in by a one-time code. It is good for this only.</p>
      <PasswordForm currentLabel="The code" currentHint="The one that you have just signed in with." isNext onSubmit={changePassword} />
    </main>
  )
}
