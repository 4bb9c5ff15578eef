import { useEffect, useRef, type ReactNode } from 'react'

/**
 * The body of a stage: the lane beside the work (above it on a narrow screen), and the thing to do next
 * always in reach at the bottom.
 * @param aside stands under the lane where there is room beside the work, else after it
 */
export function StagePage({
  title,
  lead,
  lane,
  aside,
  children,
  next,
}: {
  title: string
  lead?: ReactNode
  lane?: ReactNode
  aside?: ReactNode
  children: ReactNode
  next?: ReactNode
}) {
  const heading = useRef<HTMLHeadingElement>(null)
  // Whoever works by keys or by ear begins at its top, unless a field asks first.
  useEffect(() => {
    if (document.activeElement === null || document.activeElement === document.body) heading.current?.focus({ preventScroll: true })
  }, [])
  return (
    <>
      <main
        id="main"
        className={`mx-auto w-full max-w-[92rem] flex-1 lg:px-5 lg:py-4 ${lane ? 'lg:grid lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)] lg:items-start lg:gap-6' : ''}`}
      >
        {lane ? (
          <div className="grid gap-4 lg:sticky lg:top-[calc(var(--stuck-row,0px)+1rem)]">
            {lane}
            {aside ? <div className="max-lg:hidden">{aside}</div> : null}
          </div>
        ) : null}
        <div className="min-w-0 px-3 py-4 sm:px-5 lg:p-0">
          <div className={`mb-2 flex flex-wrap items-baseline gap-x-4 ${lane ? 'max-sm:sr-only' : ''}`}>
            <h1 ref={heading} tabIndex={-1} className="text-xl font-bold outline-none">
              {title}
            </h1>
            {lead ? <p className="text-soft max-sm:hidden">{lead}</p> : null}
          </div>
          {children}
          {aside ? <div className="mt-6 lg:hidden">{aside}</div> : null}
        </div>
      </main>
      {next ? (
        <section
          aria-label="What comes next"
          className="sticky bottom-0 z-20 border-t border-line bg-paper/95 px-3 py-2 backdrop-blur sm:px-5"
        >
          <div className="mx-auto flex max-w-[92rem] flex-wrap items-center justify-end gap-3 max-sm:gap-1 max-sm:*:px-2 max-sm:*:text-[0.9rem]">
            {next}
          </div>
        </section>
      ) : null}
    </>
  )
}
