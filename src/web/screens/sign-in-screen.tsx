import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { useSession } from '../stores/session-store'
import { Button } from '../parts/button'
import { Notice } from '../parts/notice'
import { TextField } from '../parts/text-field'
import { Wren } from '../parts/wren'

/** Name and password; nothing else stands between a clinician and the tape. */
export function SignInScreen() {
  const signIn = useSession((store) => store.signIn)
  const [refusal, setRefusal] = useState<string | null>(null)
  const { register, handleSubmit, formState } = useForm({ defaultValues: { name: '', password: '' } })
  const submit = handleSubmit(async ({ name, password }) => setRefusal(await signIn(name, password)))
  return (
    <main className="mx-auto grid min-h-dvh w-full max-w-md content-center gap-8 p-6">
      <header className="grid gap-3">
        <Wren size={56} />
        <h1 className="text-3xl font-bold">Zesty Wren</h1>
        <p className="text-lg">Measure well, know why, check again.</p>
      </header>
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
          {formState.isSubmitting ? 'Signing in…' : 'Sign in'}
        </Button>
      </form>
      <p className="text-sm text-soft">
        Decision support for trained staff. It supports, reminds and records; it does not monitor. Local policy and the licensed clinician’s
        judgement come first.
      </p>
    </main>
  )
}
