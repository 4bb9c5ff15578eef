import { useState } from 'react'
import { needsSecondFactor } from '#contract/rights'
import { Button } from '../../parts/button'
import { Form } from '../../parts/form'
import { Notice } from '../../parts/notice'
import { RecoveryCodes } from '../../parts/recovery-codes'
import { SecondFactorForm } from '../../parts/second-factor-form'
import { TextField } from '../../parts/text-field'
import { usePerson, useSession } from '../../sync/session-store'
import { missingIn } from '../../parts/required'

/** The authenticator app of a person, and the codes that stand in for it. */
export function SecondFactorSettings() {
  const { roles } = usePerson()
  const { hasSecondFactor, beginSecondFactor, confirmSecondFactor, load } = useSession()
  return (
    <section aria-labelledby="second-factor" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="second-factor" className="text-lg font-bold">
        Authenticator app
      </h2>
      {hasSecondFactor ? (
        <>
          <Notice tone="calm" lead="Its codes are asked for when you sign in">
            Without your phone a recovery code opens once. With neither: another admin takes the app away under People, then you set it up
            anew.
          </Notice>
          <RenewRecovery />
        </>
      ) : (
        <>
          <Notice tone="note" lead="Only your password keeps strangers out">
            {needsSecondFactor(roles, 'leads')
              ? 'Your account changes protocols or people. With an app, a password that was seen opens nothing.'
              : 'With an app on your own phone, a password that was seen opens nothing.'}
          </Notice>
          <SecondFactorForm onBegin={beginSecondFactor} onConfirm={confirmSecondFactor} onDone={() => void load()} />
        </>
      )}
    </section>
  )
}

function RenewRecovery() {
  const renew = useSession((store) => store.renewRecovery)
  const [codes, setCodes] = useState<readonly string[] | null>(null)
  const [password, setPassword] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const go = async (): Promise<void> => {
    const missing = missingIn('prove', { password })
    if (missing) return setWrong(missing)
    const result = await renew(password)
    setPassword('')
    if (typeof result === 'string') return setWrong(result)
    setWrong(null)
    setCodes(result.recovery)
  }
  if (codes) return <RecoveryCodes codes={codes} onDone={() => setCodes(null)} />
  return (
    <Form onSend={() => void go()} aria-label="New recovery codes">
      <TextField
        label="Your password, for new recovery codes"
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={(event) => setPassword(event.target.value)}
      />
      {wrong ? <Notice tone="stop" lead={wrong} role="alert" /> : null}
      <Button type="submit" className="justify-self-start">
        Make new recovery codes
      </Button>
    </Form>
  )
}
