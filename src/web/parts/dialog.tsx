import { Dialog as Radix } from 'radix-ui'
import { X } from 'lucide-react'
import { use, type ReactNode } from 'react'
import { SheetPlace } from './sheet-host'

/** A sheet over the page with a title and a way out. */
export function Dialog({
  title,
  isOpen,
  onClose,
  isWide = false,
  isWhole = false,
  children,
}: {
  title: string
  isOpen: boolean
  onClose: () => void
  isWide?: boolean
  /** Takes the whole screen: for what has to be seen at once. */
  isWhole?: boolean
  children: ReactNode
}) {
  const place = use(SheetPlace)
  return (
    <Radix.Root
      open={isOpen}
      onOpenChange={(open) => {
        if (!open) onClose()
      }}
    >
      <Radix.Portal container={place}>
        <Radix.Overlay className="fixed inset-0 z-[65] bg-black/45" />
        <Radix.Content
          aria-describedby={undefined}
          className={`slide-in fixed inset-x-0 bottom-0 z-[70] mx-auto w-full overflow-y-auto border-line bg-paper ${isWhole ? 'top-0 px-4 pt-1.5' : `max-h-[90dvh] ${isWide ? 'max-w-6xl' : 'max-w-[704px]'} rounded-t-3xl border p-5 sm:bottom-auto sm:top-[5dvh] sm:rounded-3xl sm:p-7`}`}
        >
          <div
            className={`${isWhole ? 'min-h-8 max-sm:min-h-12 max-sm:items-center sm:pr-14' : 'mb-4'} flex items-start justify-between gap-4`}
          >
            <Radix.Title className={`font-bold ${isWhole ? 'min-w-0 truncate text-base sm:text-lg' : 'text-xl'}`}>{title}</Radix.Title>
            <Radix.Close
              aria-label="Close"
              className={`${isWhole ? 'sm:absolute sm:right-3 sm:top-1.5' : '-m-1'} grid size-11 shrink-0 place-items-center rounded-xl border border-line bg-sheet`}
            >
              <X size={20} aria-hidden />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
