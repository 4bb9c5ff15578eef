import { lazy, Suspense, useState } from 'react'
import { TriangleAlert } from 'lucide-react'
import { useKey } from '../parts/use-key'
import type { OpenCase } from '../sync/case-store'

const TroubleSheet = lazy(async () => ({ default: (await import('./trouble-sheet')).TroubleSheet }))

/** "Something is wrong", in reach on every stage and one key away. */
export function TroubleButton({
  open,
  isThroughLock = false,
  isFolded = false,
}: {
  open: OpenCase
  isThroughLock?: boolean
  /** Its shape alone, where a row has no room for its words. */
  isFolded?: boolean
}) {
  const [isOpen, setOpen] = useState(false)
  useKey(['w'], () => setOpen(true))
  return (
    <>
      <button
        type="button"
        aria-keyshortcuts="w"
        onClick={() => setOpen(true)}
        className={`inline-flex min-h-12 shrink-0 items-center justify-center gap-2 rounded-2xl border-[1.5px] border-stop bg-stop-wash font-bold text-stop ${isFolded ? 'min-w-12' : 'px-4'}`}
      >
        <TriangleAlert size={isFolded ? 24 : 20} aria-hidden />
        <span className={isFolded ? 'sr-only' : ''}>Something is wrong</span>
      </button>
      {isOpen ? (
        <Suspense>
          <TroubleSheet open={open} isThroughLock={isThroughLock} onClose={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </>
  )
}
