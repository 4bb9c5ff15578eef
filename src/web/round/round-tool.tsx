import type { ReactNode } from 'react'
import { Button } from '../parts/button'
import { useNarrow } from '../parts/use-narrow'

/**
 * What fills many cells at once: one row on a phone.
 * @param before on a phone the word before them, which says what they do
 */
export function RoundTools({ before = 'Rest:', children }: { before?: string; children: ReactNode }) {
  const isNarrow = useNarrow()
  return (
    <div className="flex flex-wrap items-center gap-x-1.5 gap-y-1.5 sm:gap-x-2">
      {isNarrow ? <span className="text-sm font-semibold text-soft">{before}</span> : null}
      {children}
    </div>
  )
}

/**
 * One of them, low enough that all stays in sight.
 * @param name in full, for whoever has room or listens
 * @param short after the word before them
 */
export function RoundTool({ name, short, onClick }: { name: string; short: string; onClick: () => void }) {
  const isNarrow = useNarrow()
  return (
    <Button className="max-sm:min-h-11 max-sm:px-1.5 max-sm:text-sm lg:min-h-9 lg:py-1" aria-label={name} onClick={onClick}>
      {isNarrow ? short : name}
    </Button>
  )
}
