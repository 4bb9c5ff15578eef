import type { ReactNode } from 'react'
import { useNarrow } from './use-narrow'

/** A part of a page that a phone folds behind its name, so that what is to be done comes first; wider screens show it as it is. */
export function Fold({ label, isOpen = false, children }: { label: string; isOpen?: boolean; children: ReactNode }) {
  const isNarrow = useNarrow()
  if (!isNarrow) return children
  return (
    <details open={isOpen} className="rounded-2xl border border-line bg-sheet px-3">
      <summary className="min-h-12 cursor-pointer content-center font-bold">{label}</summary>
      <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-4 pb-3">{children}</div>
    </details>
  )
}
