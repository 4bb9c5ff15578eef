import { mayHaveSecondFactor } from '#contract/rights'
import { Notice } from '../../parts/notice'
import { SecondFactorForm } from '../../parts/second-factor-form'
import { usePerson, useSession } from '../../sync/session-store'

/** The authenticator app of leads and admins. */
export function SecondFactorSettings() {
  const { roles } = usePerson()
  const { hasSecondFactor, beginSecondFactor, confirmSecondFactor } = useSession()
  if (!mayHaveSecondFactor(roles)) return null
  return (
    <section aria-labelledby="second-factor" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="second-factor" className="text-lg font-bold">
        Authenticator app
      </h2>
      {hasSecondFactor ? (
        <Notice tone="calm" lead="Its codes are asked for when you sign in">
          With a new phone, or without yours: another admin takes it away under People, then you set it up anew.
        </Notice>
      ) : (
        <>
          <Notice tone="note" lead="Only your password keeps strangers out">
            Your account changes protocols or people. With an app, a password that was seen opens nothing.
          </Notice>
          <SecondFactorForm onBegin={beginSecondFactor} onConfirm={confirmSecondFactor} />
        </>
      )}
    </section>
  )
}
