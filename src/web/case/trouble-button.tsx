import { lazy, Suspense, useState } from 'react'
import { TriangleAlert } from 'lucide-react'
import { useKey } from '../parts/use-key'
import type { OpenCase } from '../sync/case-store'

const TroubleSheet = lazy(async () => ({ default: (await import('./trouble-sheet')).TroubleSheet }))

/** "Something is wrong", in reach on every stage and one key away. */
export function TroubleButton({ open, isThroughLock = false }: { open: OpenCase; isThroughLock?: boolean }) {
  const [isOpen, setOpen] = useState(false)
  useKey(['w'], () => setOpen(true))
  return (
    <>
      <button
        type="button"
        aria-keyshortcuts="w"
        onClick={() => setOpen(true)}
        className="inline-flex min-h-12 items-center gap-2 rounded-2xl border-[1.5px] border-stop bg-stop-wash px-4 font-bold text-stop"
      >
        <TriangleAlert size={20} aria-hidden />
        Something is wrong
      </button>
      {isOpen ? (
        <Suspense>
          <TroubleSheet open={open} isThroughLock={isThroughLock} onClose={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </>
  )
}
