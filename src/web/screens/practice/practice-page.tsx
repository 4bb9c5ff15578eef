import type { ReactNode } from 'react'
import { PracticeSign } from './practice-sign'

/** A page of a run or a night: its title, that there is no patient, and what stands beside; on paper it fits one page. */
export function PracticePage({ title, beside, children }: { title: string; beside?: ReactNode; children: ReactNode }) {
  return (
    <main id="main" className="page page-list grid print:[zoom:0.62] grid-cols-[minmax(0,1fr)] content-start gap-4">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">{title}</h1>
        <PracticeSign />
        {beside}
      </header>
      {children}
    </main>
  )
}
