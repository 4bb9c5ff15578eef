import { lazy, Suspense, useState } from 'react'
import { TriangleAlert } from 'lucide-react'
import { useKey } from '../../parts/use-key'
import type { OpenCase } from '../../sync/case-store'

const TroubleSheet = lazy(async () => ({ default: (await import('./trouble-sheet')).TroubleSheet }))

const looks = {
  button: 'min-h-12 justify-center rounded-2xl border-[1.5px] px-4',
  /** As high as the row that it ends. */
  tile: 'border-l-4 px-4',
  /** The same where a row has no room for its words. */
  'tile-shape': 'w-14 justify-center border-l-4 max-[22.5rem]:w-12',
} as const

/** "Something is wrong", in reach on every stage and one key away. */
export function TroubleButton({
  open,
  isThroughLock = false,
  look = 'button',
}: {
  open: OpenCase
  isThroughLock?: boolean
  look?: keyof typeof looks
}) {
  const [isOpen, setOpen] = useState(false)
  const isShape = look === 'tile-shape'
  useKey(['w'], () => setOpen(true))
  return (
    <>
      <button
        type="button"
        aria-keyshortcuts="w"
        onClick={() => setOpen(true)}
        className={`inline-flex shrink-0 items-center gap-2 border-stop bg-stop-wash font-bold text-stop ${looks[look]}`}
      >
        <TriangleAlert size={isShape ? 26 : 20} aria-hidden />
        <span className={isShape ? 'sr-only' : ''}>Something is wrong</span>
      </button>
      {isOpen ? (
        <Suspense>
          <TroubleSheet open={open} isThroughLock={isThroughLock} onClose={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </>
  )
}
