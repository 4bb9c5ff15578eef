import { useId, type InputHTMLAttributes, type Ref } from 'react'

/** A labelled line of text with its hint and its error. */
export function TextField({
  label,
  hint,
  error,
  ref,
  className = '',
  ...input
}: InputHTMLAttributes<HTMLInputElement> & {
  label: string
  hint?: string | undefined
  error?: string | undefined
  ref?: Ref<HTMLInputElement>
}) {
  const id = useId()
  const described = [hint ? `${id}-hint` : '', error ? `${id}-error` : ''].filter(Boolean).join(' ')
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-1.5 block text-sm font-semibold text-soft">
        {label}
      </label>
      <input
        id={id}
        ref={ref}
        autoComplete="off"
        {...input}
        aria-invalid={error ? true : undefined}
        aria-describedby={described || undefined}
        className="field-box aria-invalid:border-stop"
      />
      {hint ? (
        <p id={`${id}-hint`} className="mt-1 text-sm text-soft">
          {hint}
        </p>
      ) : null}
      {error ? (
        <p id={`${id}-error`} role="alert" className="mt-1 text-sm font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </div>
  )
}
