import type { ButtonHTMLAttributes, ReactNode } from 'react'
import { Link } from 'react-router'

export type ButtonLook = 'next' | 'plain' | 'quiet' | 'danger'

const looks: Record<ButtonLook, string> = {
  next: 'bg-citrus text-on-citrus border-on-citrus/70 shadow-[0_2px_0_0] shadow-on-citrus/30 font-bold',
  plain: 'bg-sheet text-ink border-soft font-semibold aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper',
  quiet: 'bg-transparent text-ink border-transparent underline decoration-soft decoration-2 underline-offset-4 font-semibold',
  danger: 'bg-stop-wash text-stop border-stop font-bold',
}
const base =
  'inline-flex min-h-12 items-center justify-center gap-2 rounded-2xl border-[1.5px] px-5 py-2 text-center leading-tight transition-transform active:translate-y-px disabled:cursor-not-allowed disabled:border-line disabled:bg-well disabled:text-soft disabled:shadow-none'

/** A button of at least 48 px; `next` is the one citrus thing on a screen. */
export function Button({ look = 'plain', className = '', ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & { look?: ButtonLook }) {
  return <button type="button" className={`${base} ${looks[look]} ${className}`} {...rest} />
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
