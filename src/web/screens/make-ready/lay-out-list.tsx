import { wordsInUnits } from '#core/quantities/words-in-units'
import { useEffect, useState } from 'react'
import { fetchFrom, fetchPlaces, fetchPlaceWords, itemsBeside } from '#core/planner/fetch-from'
import type { DisplayUnits } from '#core/planner/format-decision'
import type { Material, Plan } from '#core/model/plan'
import type { CaseRecord } from '#contract/records/case'
import { reservationsOf } from '#ward/case/reservations'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { describeMaterial, layOutOrder } from '#core/planner/describe-material'
import { loadPlace, moveStock, useStock, wordsOf } from '../../sync/stock-store'

interface Row {
  readonly id: string
  readonly label: string
  readonly note: string
  /** What leaves the store when it is taken; null for what is only ticked. */
  readonly stock: { readonly itemCode: string; readonly count: number; readonly left: number; readonly there: number | null } | null
}

/** What to lay out, by where it is fetched from, in the order of use; what is taken from a place is counted down there. */
export function LayOutList({ record, plan, units }: { record: CaseRecord; plan: Plan; units: DisplayUnits }) {
  const [draft, setDraft] = useDraft(`case/${record.id}/laid-out`)
  const [error, setError] = useState<string | null>(null)
  const { answer, movements } = useStock()
  const placeId = record.store?.placeId
  useEffect(() => void (placeId ? loadPlace(placeId) : undefined), [placeId])
  const ticked = new Set(draft ? draft.split('|') : [])
  const toggle = (id: string): void => {
    const next = new Set(ticked)
    if (!next.delete(id)) next.add(id)
    setDraft([...next].join('|'))
  }
  const here = placeId && answer?.place.id === placeId ? answer : null
  const takenOf = (itemCode: string): number =>
    -movements
      .filter((movement) => movement.kind === 'taken' && movement.caseId === record.id && movement.itemCode === itemCode)
      .reduce((sum, one) => sum + one.delta, 0)
  const wanted = here ? reservationsOf(record.accepted?.plan ?? plan, here.lines) : []
  const stockRows = wanted.map(({ itemCode, count }): Row => {
    const line = here?.lines.find((one) => one.itemCode === itemCode)
    const material = plan.materials.find((one) => line?.item.item === one.item && line.item.widthCm === (one.widthCm ?? undefined))
    const there = line?.lots.reduce((sum, lot) => sum + lot.count, 0) ?? null
    return {
      id: itemCode,
      label: material ? describeMaterial(material, units) : `${count} × ${wordsInUnits(line?.label ?? itemCode, units)}`,
      note: wordsInUnits(material?.note ?? '', units),
      stock: { itemCode, count, left: Math.max(0, count - takenOf(itemCode)), there },
    }
  })
  const isStocked = (material: Material): boolean =>
    wanted.some(({ itemCode }) => {
      const line = here?.lines.find((one) => one.itemCode === itemCode)
      return line?.item.item === material.item && line.item.widthCm === (material.widthCm ?? undefined)
    })
  const materialRows = [...plan.materials]
    .filter((material) => !isStocked(material))
    .sort((a, b) => layOutOrder(a) - layOutOrder(b))
    .map((material): Row => ({
      id: material.id,
      label: describeMaterial(material, units),
      note: wordsInUnits(material.note, units),
      stock: null,
    }))
  const items = itemsBeside(plan.procedure.steps.find((step) => step.items)?.items ?? [], plan.materials)
  const rowsFrom = (place: (typeof fetchPlaces)[number]): readonly Row[] => [
    ...(place === 'store' ? [...stockRows, ...materialRows] : []),
    ...items
      .filter((item) => fetchFrom(item) === place)
      .map((item): Row => ({ id: item, label: wordsInUnits(upperFirst(item), units), note: '', stock: null })),
  ]
  return (
    <section aria-labelledby="lay-out" className="grid gap-3">
      <h2 id="lay-out" className="font-bold">
        Lay out, in the order of use
      </h2>
      {fetchPlaces.map((place) => {
        const rows = rowsFrom(place)
        if (rows.length === 0) return null
        const heading = place === 'store' && here ? `From ${here.place.name}` : fetchPlaceWords[place]
        return (
          <section key={place} aria-label={heading}>
            <h3 className="mb-1 text-sm font-bold text-soft">{heading}</h3>
            <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
              {rows.map((row) => {
                const { stock } = row
                return stock && placeId ? (
                  <li key={row.id} className="flex min-h-14 items-center justify-between gap-3 px-4 py-1.5">
                    <RowWords row={row} isDone={stock.left === 0} there={stock.there} />
                    {stock.left > 0 ? (
                      <Button
                        aria-label={`Taken: ${stock.left} × ${row.label}`}
                        onClick={() =>
                          void moveStock(placeId, 'stock-taken', {
                            itemCode: stock.itemCode,
                            count: stock.left,
                            caseId: record.id,
                          }).then((outcome) => setError(wordsOf(outcome)))
                        }
                      >
                        Taken
                      </Button>
                    ) : (
                      <span className="font-semibold text-calm">✓ taken</span>
                    )}
                  </li>
                ) : (
                  <li key={row.id}>
                    <label className="flex min-h-13 items-center gap-4 px-4 py-1.5">
                      <input
                        type="checkbox"
                        checked={ticked.has(row.id)}
                        onChange={() => toggle(row.id)}
                        className="size-7 shrink-0 accent-ink"
                      />
                      <RowWords row={row} isDone={ticked.has(row.id)} there={null} />
                    </label>
                  </li>
                )
              })}
            </ul>
          </section>
        )
      })}
      {error ? (
        <p role="alert" className="font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </section>
  )
}

function RowWords({ row, isDone, there }: { row: Row; isDone: boolean; there: number | null }) {
  return (
    <span className="min-w-0">
      <span className={`block font-semibold ${isDone ? 'text-soft line-through' : ''}`}>{row.label}</span>
      {row.note || there !== null ? (
        <span className="block text-sm text-soft">{[row.note, there === null ? '' : `${there} there`].filter(Boolean).join('; ')}</span>
      ) : null}
    </span>
  )
}

function upperFirst(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
