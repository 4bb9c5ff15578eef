import { useState } from 'react'
import { secondCodePattern, type RecoveryAnswer, type SecondFactorAnswer } from '#contract/api/session'
import { Button } from './button'
import { Notice } from './notice'
import { RecoveryCodes } from './recovery-codes'
import { TextField } from './text-field'
import { Form } from './form'
import { missingIn } from './required'

/** Sets up an authenticator app: the password, a picture to read, the first code, and what stands in for it. */
export function SecondFactorForm({
  onBegin,
  onConfirm,
  onDone,
}: {
  /** The secret, or what is wrong in words. */
  onBegin: (password: string) => Promise<SecondFactorAnswer | string>
  /** The recovery codes once codes are asked for, or what is wrong in words. */
  onConfirm: (code: string) => Promise<RecoveryAnswer | string>
  /** Called once the recovery codes are put away. */
  onDone: () => void
}) {
  const [begun, setBegun] = useState<SecondFactorAnswer | null>(null)
  const [recovery, setRecovery] = useState<readonly string[] | null>(null)
  const [typed, setTyped] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const go = async (): Promise<void> => {
    if (begun && !secondCodePattern.test(typed)) return setWrong('The code is six digits: type what the app shows now.')
    const missing = begun ? null : missingIn('prove', { password: typed })
    if (missing) return setWrong(missing)
    setBusy(true)
    const result = begun ? await onConfirm(typed) : await onBegin(typed)
    setBusy(false)
    if (typeof result === 'string') return setWrong(result)
    setWrong(null)
    setTyped('')
    if ('recovery' in result) setRecovery(result.recovery)
    else setBegun(result)
  }
  if (recovery) return <RecoveryCodes codes={recovery} onDone={onDone} />
  return (
    <Form onSend={() => void go()} aria-label="Authenticator app">
      {begun ? (
        <div className="flex flex-wrap items-center gap-5">
          <img src={begun.qr} alt="The secret, to be read by the app" width={200} height={200} className="rounded-xl bg-white" />
          <div className="min-w-0 flex-1">
            <p>Read this with the app on your own phone, or type it in there:</p>
            <p className="mt-2 font-mono text-lg font-bold break-all select-all">{begun.secret.replace(/(.{4})/g, '$1 ').trim()}</p>
          </div>
        </div>
      ) : null}
      {begun ? (
        <TextField
          key="code"
          label="The six digits that it shows now"
          inputMode="numeric"
          maxLength={6}
          autoFocus
          value={typed}
          onChange={(event) => setTyped(event.target.value.replace(/\D/g, ''))}
        />
      ) : (
        <TextField
          key="password"
          label="Your password, again"
          type="password"
          autoComplete="current-password"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      )}
      {wrong ? <Notice tone="stop" lead={wrong} role="alert" /> : null}
      <Button type="submit" look={begun ? 'next' : 'plain'} disabled={isBusy} className="justify-self-start">
        {begun ? 'Ask for codes from now on' : 'Set up an authenticator app'}
      </Button>
    </Form>
  )
}
