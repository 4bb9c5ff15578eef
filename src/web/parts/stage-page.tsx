import type { ReactNode } from 'react'

/** The body of a stage, with the thing to do next always in reach at the bottom. */
export function StagePage({ title, lead, children, next }: { title: string; lead?: ReactNode; children: ReactNode; next?: ReactNode }) {
  return (
    <>
      <main id="main" className="mx-auto w-full max-w-7xl flex-1 px-3 py-4 sm:px-6">
        <div className="mb-3 flex flex-wrap items-baseline gap-x-4">
          <h1 className="text-xl font-bold">{title}</h1>
          {lead ? <p className="text-soft">{lead}</p> : null}
        </div>
        {children}
      </main>
      {next ? <div className="sticky bottom-0 z-20 border-t border-line bg-paper/95 px-3 py-2.5 backdrop-blur sm:px-6"><div className="mx-auto flex max-w-7xl flex-wrap items-center justify-end gap-3">{next}</div></div> : null}
    </>
  )
}
