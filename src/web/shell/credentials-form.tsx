import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { Button } from '../parts/button'
import { Notice } from '../parts/notice'
import { TextField } from '../parts/text-field'

/** Name and password, for signing in and for unlocking; a refusal is shown and the name kept. */
export function CredentialsForm({
  submitLabel,
  busyLabel,
  onSubmit,
}: {
  submitLabel: string
  busyLabel: string
  /** Resolves to null, or to the sentence to show. */
  onSubmit: (name: string, password: string) => Promise<string | null>
}) {
  const [refusal, setRefusal] = useState<string | null>(null)
  const { register, handleSubmit, formState } = useForm({ defaultValues: { name: '', password: '' } })
  const submit = handleSubmit(async ({ name, password }) => setRefusal(await onSubmit(name, password)))
  return (
    <form noValidate onSubmit={(event) => void submit(event)} className="grid gap-4">
      <TextField
        label="Name"
        autoFocus
        autoComplete="username"
        autoCapitalize="none"
        {...register('name', { required: 'Name is missing: type the one you sign in with.' })}
        error={formState.errors.name?.message}
      />
      <TextField
        label="Password"
        type="password"
        autoComplete="current-password"
        {...register('password', { required: 'Password is missing: type it.' })}
        error={formState.errors.password?.message}
      />
      {refusal ? <Notice tone="stop" lead={refusal} role="alert" /> : null}
      <Button type="submit" look="next" disabled={formState.isSubmitting}>
        {formState.isSubmitting ? busyLabel : submitLabel}
      </Button>
    </form>
  )
}
