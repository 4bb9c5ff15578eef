import type { FormHTMLAttributes, ReactNode } from 'react'

/** Fields that are sent together, by their button or the Enter key; what is wrong with them is said in our words, never in the browser's. */
export function Form({
  onSend,
  className = 'grid gap-4',
  children,
  ...rest
}: { onSend: () => void; children: ReactNode } & Pick<FormHTMLAttributes<HTMLFormElement>, 'className' | 'aria-label'>) {
  return (
    <form
      {...rest}
      noValidate
      className={className}
      onSubmit={(event) => {
        event.preventDefault()
        onSend()
      }}
    >
      {children}
    </form>
  )
}
