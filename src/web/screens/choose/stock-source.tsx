import { useEffect, useId, useState } from 'react'
import { planStock } from '#contract/records/store'
import type { CaseRecord } from '#contract/records/case'
import { Button } from '../../parts/button'
import { writeEvent } from '../../sync/case-store'
import { loadPlace, loadPlaces, useStock } from '../../sync/stock-store'

/** Where this case takes from: the plan then counts with what that place has free today. */
export function StockSource({ record }: { record: CaseRecord }) {
  const id = useId()
  const places = useStock((store) => store.places) ?? []
  const [error, setError] = useState<string | null>(null)
  useEffect(() => void loadPlaces(), [])
  const look = async (placeId: string): Promise<void> => {
    const answer = await loadPlace(placeId)
    if (!answer) return setError('The store cannot be read: the plan keeps what it knew. Try again when there is a connection.')
    setError(null)
    const items = planStock(answer.lines, answer.now.slice(0, 10))
    await writeEvent('store', { placeId, placeName: answer.place.name, items })
  }
  const held = record.store
  if (held && record.accepted) {
    return <p className="text-soft">Set aside at {held.placeName}. Drop the plan to take from elsewhere.</p>
  }
  return (
    <div className="grid gap-1">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <label htmlFor={id} className="font-semibold">
          Stock from
        </label>
        <select
          id={id}
          value={held?.placeId ?? ''}
          onChange={(event) => void look(event.target.value)}
          className="field-box min-h-11 w-auto py-1.5"
        >
          {held && places.some((place) => place.id === held.placeId) ? null : (
            <option value={held?.placeId ?? ''} disabled>
              {held?.placeName ?? 'Everything listed'}
            </option>
          )}
          {places.map((place) => (
            <option key={place.id} value={place.id}>
              {place.name}
            </option>
          ))}
        </select>
        {held ? (
          <Button look="quiet" onClick={() => void look(held.placeId)}>
            Look again
          </Button>
        ) : null}
      </div>
      {error ? (
        <p role="alert" className="text-sm font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </div>
  )
}
