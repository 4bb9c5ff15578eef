import { momentBefore, useMoment } from '../../sync/use-moment'
import { Link } from 'react-router'
import type { StockLine, StockMovement } from '#contract/records/store'

const words: Record<string, string> = {
  counted: 'counted',
  received: 'received',
  taken: 'taken',
  reserved: 'set aside',
  released: 'let go',
  imported: 'imported',
}
const mostShown = 40

/** What was moved last: when, what, by whom, and for which case. */
export function MovementList({ movements, lines }: { movements: readonly StockMovement[]; lines: readonly StockLine[] }) {
  const moment = useMoment()
  const labels = new Map(lines.map((line) => [line.itemCode, line.label]))
  if (movements.length === 0) return null
  return (
    <details className="rounded-2xl border border-line bg-sheet px-4 py-2">
      <summary className="min-h-12 cursor-pointer content-center font-semibold">Latest movements</summary>
      <ul className="divide-y divide-line">
        {movements.slice(0, mostShown).map((move, index, all) => (
          <li key={move.id} className="grid gap-x-4 py-2 sm:grid-cols-[8rem_7rem_1fr_auto]">
            <span className="text-soft">{moment(Date.parse(move.at), momentBefore(all, index))}</span>
            <span className="font-semibold">
              {words[move.kind] ?? move.kind}
              {move.delta === 0 ? '' : ` ${move.delta > 0 ? '+' : '−'}${Math.abs(move.delta)}`}
            </span>
            <span>
              {labels.get(move.itemCode) ?? move.itemCode}
              {move.caseId ? (
                <>
                  {' '}
                  <Link to={`/case/${move.caseId}/make-ready`} className="underline">
                    for a case
                  </Link>
                </>
              ) : null}
            </span>
            <span className="text-soft">{move.by}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}
