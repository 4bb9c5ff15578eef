import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { Button } from './button'
import { Notice } from './notice'
import { TextField } from './text-field'
import { missingWords } from './required'

const leastLetters = 10

/**
 * The password of now, and twice the new one.
 * @param currentLabel what the password of now is called
 * @param onSubmit resolves to null, or to the sentence to show
 */
export function PasswordForm({
  currentLabel,
  currentHint,
  isNext,
  onSubmit,
}: {
  currentLabel: string
  currentHint?: string
  isNext: boolean
  onSubmit: (current: string, next: string) => Promise<string | null>
}) {
  const [refusal, setRefusal] = useState<string | null>(null)
  const { register, handleSubmit, formState, reset, getValues } = useForm({ defaultValues: { current: '', next: '', again: '' } })
  const submit = handleSubmit(async ({ current, next }) => {
    const refused = await onSubmit(current, next)
    setRefusal(refused)
    if (refused === null) reset()
  })
  return (
    <form noValidate onSubmit={(event) => void submit(event)} className="grid gap-4">
      <TextField
        label={currentLabel}
        hint={currentHint}
        type="password"
        autoComplete="current-password"
        {...register('current', { required: missingWords({ label: currentLabel, remedy: 'type it' }) })}
        error={formState.errors.current?.message}
      />
      <TextField
        label="New password"
        hint={`At least ${leastLetters} characters: a few words are good.`}
        type="password"
        autoComplete="new-password"
        {...register('next', {
          required: missingWords({ label: 'New password', remedy: 'type it' }),
          minLength: { value: leastLetters, message: `The new password must have at least ${leastLetters} characters: add a word.` },
        })}
        error={formState.errors.next?.message}
      />
      <TextField
        label="New password again"
        type="password"
        autoComplete="new-password"
        {...register('again', { validate: (again) => again === getValues('next') || 'The two are not the same: type both again.' })}
        error={formState.errors.again?.message}
      />
      {refusal ? <Notice tone="stop" lead={refusal} role="alert" /> : null}
      <Button type="submit" look={isNext ? 'next' : 'plain'} disabled={formState.isSubmitting} className="justify-self-start max-sm:w-full">
        {formState.isSubmitting ? 'Keeping it…' : 'Keep the new password'}
      </Button>
    </form>
  )
}
