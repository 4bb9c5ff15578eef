import { Dialog as Radix } from 'radix-ui'
import { X } from 'lucide-react'
import { use, type ReactNode } from 'react'
import { SheetHead, SheetPlace } from './sheet-host'

/** A sheet over the page with a title and a way out. */
export function Dialog({
  title,
  isOpen,
  onClose,
  isWide = false,
  isWhole = false,
  isSaidAbove = false,
  children,
}: {
  title: string
  isOpen: boolean
  onClose: () => void
  isWide?: boolean
  /** Takes the whole screen: for what has to be seen at once. */
  isWhole?: boolean
  /** Its title is for those who listen: whose it is stands above it, and the page says the rest. */
  isSaidAbove?: boolean
  children: ReactNode
}) {
  const place = use(SheetPlace)
  const head = use(SheetHead)
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
          className={`slide-in fixed inset-x-0 bottom-0 z-[70] mx-auto w-full overflow-y-auto border-line bg-paper ${isWhole ? 'top-0 px-4' : `max-h-[90dvh] ${isWide ? 'max-w-6xl' : 'max-w-[704px]'} rounded-t-3xl border p-5 sm:bottom-auto sm:top-[5dvh] sm:rounded-3xl sm:p-7`}`}
        >
          {isWhole && head ? (
            <SheetHead value={null}>
              <div className="sticky top-0 z-20 -mx-4 mb-1 flex items-stretch border-b border-line bg-sheet">
                {head}
                <Radix.Close aria-label="Close" className="grid w-13 shrink-0 place-items-center border-l border-line -outline-offset-4">
                  <X size={24} aria-hidden />
                </Radix.Close>
              </div>
              <Radix.Title aria-label={title} className={isSaidAbove ? 'sr-only' : 'py-1 leading-tight font-bold wrap-anywhere'}>
                {title}
              </Radix.Title>
            </SheetHead>
          ) : (
            <div
              className={`${isWhole ? 'min-h-8 pt-1.5 max-sm:min-h-12 max-sm:items-center' : 'mb-4'} flex items-start justify-between gap-4`}
            >
              <Radix.Title className={`font-bold ${isWhole ? 'min-w-0 text-base sm:text-lg' : 'text-xl'}`}>{title}</Radix.Title>
              <Radix.Close
                aria-label="Close"
                className="-m-1 grid size-11 shrink-0 place-items-center rounded-xl border border-line bg-sheet"
              >
                <X size={20} aria-hidden />
              </Radix.Close>
            </div>
          )}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
