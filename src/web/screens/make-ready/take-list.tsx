import { useEffect, useState } from 'react'
import type { Plan } from '#core/plan/plan'
import type { CaseRecord } from '#contract/case-record'
import { reservationsOf } from '#contract/store'
import { Button } from '../../parts/button'
import { loadPlace, moveStock, useStock } from '../../stores/stock-store'

/** What leaves the store for this case: taken item by item, written down with who and when. */
export function TakeList({ record, plan }: { record: CaseRecord; plan: Plan }) {
  const { answer, movements } = useStock()
  const [error, setError] = useState<string | null>(null)
  const placeId = record.store?.placeId
  useEffect(() => void (placeId ? loadPlace(placeId) : undefined), [placeId])
  if (!placeId || !answer || answer.place.id !== placeId) return null
  const wanted = reservationsOf(record.accepted?.plan ?? plan, answer.lines)
  if (wanted.length === 0) return null
  const takenOf = (itemCode: string): number =>
    -movements
      .filter((one) => one.kind === 'taken' && one.caseId === record.id && one.itemCode === itemCode)
      .reduce((sum, one) => sum + one.delta, 0)
  return (
    <section aria-labelledby="take" className="grid gap-2">
      <h2 id="take" className="font-bold">
        Take from {answer.place.name}
      </h2>
      <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {wanted.map(({ itemCode, count }) => {
          const left = count - takenOf(itemCode)
          const label = answer.lines.find((line) => line.itemCode === itemCode)?.label ?? itemCode
          return (
            <li key={itemCode} className="flex min-h-14 items-center justify-between gap-3 px-4 py-1.5">
              <span className={left > 0 ? 'font-semibold' : 'text-soft line-through'}>
                {count} × {label}
              </span>
              {left > 0 ? (
                <Button
                  aria-label={`Taken: ${left} × ${label}`}
                  onClick={() => void moveStock(placeId, 'stock-taken', { itemCode, count: left, caseId: record.id }).then(setError)}
                >
                  Taken
                </Button>
              ) : (
                <span className="font-semibold text-calm">taken</span>
              )}
            </li>
          )
        })}
      </ul>
      {error ? (
        <p role="alert" className="font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </section>
  )
}
