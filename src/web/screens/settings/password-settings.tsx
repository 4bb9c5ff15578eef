import { useState } from 'react'
import { Notice } from '../../parts/notice'
import { PasswordForm } from '../../parts/password-form'
import { useSession } from '../../sync/session-store'

/** The own password, changed; other browsers in which one is signed in are signed out. */
export function PasswordSettings() {
  const changePassword = useSession((store) => store.changePassword)
  const [isKept, setKept] = useState(false)
  return (
    <section aria-labelledby="password" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="password" className="text-lg font-bold">
        Password
      </h2>
      {isKept ? (
        <Notice tone="calm" lead="The new password is kept" role="status">
          Everywhere else you are signed out.
        </Notice>
      ) : null}
      <PasswordForm
        currentLabel="Password of now"
        isNext={false}
        onSubmit={async (current, next) => {
          const refused = await changePassword(current, next)
          setKept(refused === null)
          return refused
        }}
      />
    </section>
  )
}
