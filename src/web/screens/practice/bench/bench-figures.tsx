import { useState } from 'react'
import type { BenchFigure } from '#core/practice/bench'
import { formatFigure, differenceOf } from './figure-words'

/** What follows from the controls, each with its working a tap away; beside what is pinned and the difference, where something is. */
export function BenchFigures({ figures, pinned }: { figures: readonly BenchFigure[]; pinned: readonly BenchFigure[] | null }) {
  const [open, setOpen] = useState<string | null>(null)
  return (
    <table aria-label="What follows" className="w-full border-separate border-spacing-0 rounded-3xl border border-line bg-sheet">
      <thead className={pinned ? 'text-sm text-soft' : 'sr-only'}>
        <tr>
          <th className="px-4 pt-2 text-left font-semibold">Figure</th>
          {pinned ? <th className="px-2 pt-2 text-right font-semibold">A, pinned</th> : null}
          <th className="px-4 pt-2 text-right font-semibold">{pinned ? 'B, now' : 'Now'}</th>
          {pinned ? <th className="px-4 pt-2 text-right font-semibold">Difference</th> : null}
        </tr>
      </thead>
      <tbody>
        {figures.map((figure) => {
          const before = pinned?.find((one) => one.id === figure.id)
          const isOpen = open === figure.id
          return (
            <tr key={figure.id} className="group align-top">
              <th scope="row" className="border-t border-line px-4 text-left font-normal group-first:border-t-0">
                <button
                  type="button"
                  aria-expanded={isOpen}
                  onClick={() => setOpen(isOpen ? null : figure.id)}
                  className="min-h-10 text-left underline decoration-line decoration-2 underline-offset-4"
                >
                  {figure.label}
                </button>
                {isOpen ? <p className="max-w-prose pb-1 text-sm text-soft">{figure.working}</p> : null}
                <p className="hidden text-sm text-soft print:block">{figure.working}</p>
              </th>
              {pinned ? (
                <td className="numeral border-t border-line px-2 py-3 text-right text-soft group-first:border-t-0">
                  {before ? formatFigure(before) : ''}
                </td>
              ) : null}
              <td aria-live="polite" className="border-t border-line px-4 py-2 text-right group-first:border-t-0">
                <span className="numeral font-bold">{formatFigure(figure)}</span>
                {figure.words && figure.value !== null ? <span className="ml-2 text-sm text-soft">{figure.words}</span> : null}
              </td>
              {pinned ? (
                <td className="numeral border-t border-line px-4 py-3 text-right font-semibold group-first:border-t-0">
                  {before ? differenceOf(before, figure) : ''}
                </td>
              ) : null}
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
