import { useState, type ButtonHTMLAttributes, type ReactNode } from 'react'
import { Link } from 'react-router'

export type ButtonLook = 'next' | 'plain' | 'quiet' | 'danger'

const looks: Record<ButtonLook, string> = {
  next: 'bg-citrus text-on-citrus border-on-citrus/70 shadow-[0_2px_0_0] shadow-on-citrus/30 font-bold',
  plain: 'bg-sheet text-ink border-soft font-semibold aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper',
  quiet: 'bg-transparent text-ink border-transparent underline decoration-soft decoration-2 underline-offset-4 font-semibold',
  danger: 'bg-stop-wash text-stop border-stop font-bold',
}
const base =
  'inline-flex min-h-12 items-center justify-center gap-2 rounded-2xl border-[1.5px] px-5 py-2 text-center leading-tight transition-transform active:translate-y-px aria-disabled:cursor-not-allowed aria-disabled:border-line aria-disabled:bg-well aria-disabled:text-soft aria-disabled:shadow-none'

/** A button of at least 48 px; `next` is the one citrus thing on a screen. No press is silent: one that may not be done says why. */
export function Button({
  look = 'plain',
  className = '',
  refuses = null,
  onRefused,
  disabled = false,
  onClick,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & {
  look?: ButtonLook
  /** What is missing, in words: a press then does nothing but say so, here. Null where it may be pressed. */
  refuses?: string | null
  /** Goes to what is missing. */
  onRefused?: () => void
}) {
  const [said, setSaid] = useState<string | null>(null)
  return (
    <>
      <button
        type="button"
        className={`${base} ${looks[look]} ${rest['aria-pressed'] === undefined ? '' : 'toggle-box'} ${className}`}
        {...rest}
        // Not `disabled`: a button that cannot be pressed now keeps its focus.
        aria-disabled={refuses !== null || disabled ? true : undefined}
        onClick={(event) => {
          if (disabled) return event.preventDefault()
          if (refuses === null) return onClick?.(event)
          event.preventDefault()
          setSaid(refuses)
          onRefused?.()
        }}
      />
      {refuses !== null && said === refuses ? (
        <p role="alert" className="col-span-full w-full font-bold text-stop">
          Not recorded. {refuses}
        </p>
      ) : null}
    </>
  )
}

/** A link that looks like a button. */
export function ButtonLink({
  look = 'plain',
  to,
  children,
  className = '',
  label,
}: {
  look?: ButtonLook
  to: string
  /** Its accessible name, where its words alone do not say of whom. */
  label?: string
  children: ReactNode
  className?: string
}) {
  return (
    <Link to={to} aria-label={label} className={`${base} ${looks[look]} ${className}`}>
      {children}
    </Link>
  )
}
