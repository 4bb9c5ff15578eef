import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { pinPattern, recoveryPattern, secondCodePattern } from '#contract/api/session'
import { Button } from '../parts/button'
import { Notice } from '../parts/notice'
import { TextField } from '../parts/text-field'
import { useSession } from '../sync/session-store'
import { missingWords, requiredIn } from '../parts/required'

const codePattern = new RegExp(`${secondCodePattern.source}|${recoveryPattern.source}`, 'i')
const pinOrNothing = new RegExp(`^$|${pinPattern.source}`)

/** Name and password, for signing in and for unlocking; a refusal is shown and the name kept. */
export function CredentialsForm({
  name = '',
  submitLabel,
  busyLabel,
  onSubmit,
  offersPin = false,
}: {
  /** Filled in; the password is asked for first then. */
  name?: string
  submitLabel: string
  busyLabel: string
  /** Resolves to null, or to the sentence to show. */
  onSubmit: (name: string, password: string, pin: string, code: string) => Promise<string | null>
  /** A short PIN may be set along with it. */
  offersPin?: boolean
}) {
  const [refusal, setRefusal] = useState<string | null>(null)
  const { register, handleSubmit, formState } = useForm({ defaultValues: { name, password: '', pin: '', code: '' } })
  const wantsCode = useSession((store) => store.wantsCode)
  const submit = handleSubmit(async (given) => setRefusal(await onSubmit(given.name, given.password, given.pin, given.code)))
  return (
    <form noValidate onSubmit={(event) => void submit(event)} className="grid gap-4">
      <TextField
        label="Name"
        autoFocus={name === ''}
        autoComplete="username"
        autoCapitalize="none"
        {...register('name', { required: missingWords(requiredIn['sign-in'].name) })}
        error={formState.errors.name?.message}
      />
      <TextField
        label="Password"
        type="password"
        autoFocus={name !== ''}
        autoComplete="current-password"
        {...register('password', { required: missingWords(requiredIn['sign-in'].password) })}
        error={formState.errors.password?.message}
      />
      {offersPin ? (
        <TextField
          label="Short PIN, if you like"
          hint="4 to 8 digits. Opens this device after a lock, also where there is no connection, until you sign out."
          type="password"
          inputMode="numeric"
          autoComplete="off"
          {...register('pin', {
            pattern: { value: pinOrNothing, message: 'The PIN must be 4 to 8 digits: change it, or leave it empty.' },
          })}
          error={formState.errors.pin?.message}
        />
      ) : null}
      {wantsCode ? (
        <TextField
          label="Code of your authenticator app"
          hint="Without your phone: one of your recovery codes."
          maxLength={19}
          autoComplete="one-time-code"
          autoFocus
          {...register('code', {
            pattern: {
              value: codePattern,
              message: 'The code is six digits, or a recovery code of four groups: type what the app shows now, or one of those.',
            },
          })}
          error={formState.errors.code?.message}
        />
      ) : null}
      {refusal ? <Notice tone="stop" lead={refusal} role="alert" /> : null}
      <Button type="submit" look="next" disabled={formState.isSubmitting}>
        {formState.isSubmitting ? busyLabel : submitLabel}
      </Button>
    </form>
  )
}
