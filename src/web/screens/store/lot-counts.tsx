import { useId, useState } from 'react'
import { v7 as uuidv7 } from 'uuid'
import { isDayBefore } from '#core/quantities/instant'
import type { StockLot } from '#contract/records/store'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import { moveStock, wordsOf } from '../../sync/stock-store'
import { readCount } from './read-count'
import type { StockRow } from './stock-rows'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

/** The lots of an item: counted where they stand, and a new one received. */
export function LotCounts({ row, placeId, today }: { row: StockRow; placeId: string; today: string }) {
  const [isReceiving, setReceiving] = useState(false)
  return (
    <div className="grid gap-2">
      {row.lots.length === 0 ? <p className="text-soft">There is none of it here.</p> : null}
      {row.lots.map((lot) => (
        <LotCount key={`${lot.lotId}/${lot.count}`} lot={lot} placeId={placeId} today={today} />
      ))}
      {isReceiving ? (
        <ReceiveForm itemCode={row.itemCode} placeId={placeId} onDone={() => setReceiving(false)} />
      ) : (
        <div>
          <Button onClick={() => setReceiving(true)}>Receive more</Button>
        </div>
      )}
    </div>
  )
}

function LotCount({ lot, placeId, today }: { lot: StockLot; placeId: string; today: string }) {
  const id = useId()
  const [typed, setTyped] = useState(String(lot.count))
  const [error, setError] = useState<string | null>(null)
  const keep = async (): Promise<void> => {
    const read = readCount(typed)
    if (typeof read === 'string') return setError(read)
    if (read === lot.count) return setError(null)
    setError(wordsOf(await moveStock(placeId, 'stock-counted', { lotId: lot.lotId, count: read })))
  }
  const isExpired = lot.expiresOn !== null && isDayBefore(lot.expiresOn, today)
  return (
    <Form onSend={() => void keep()} className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <label htmlFor={id} className="min-w-40">
        Lot <strong>{lot.lot}</strong>
        {lot.expiresOn ? (
          <span className={isExpired ? 'font-bold text-caution' : 'text-soft'}>
            {' '}
            · {isExpired ? 'expired' : 'until'} {lot.expiresOn}
          </span>
        ) : null}
      </label>
      <input
        id={id}
        inputMode="numeric"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        aria-invalid={error ? true : undefined}
        className="field-box w-24 text-right"
      />
      <Button type="submit">Count</Button>
      {error ? (
        <p role="alert" className="w-full text-sm font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </Form>
  )
}

function ReceiveForm({ itemCode, placeId, onDone }: { itemCode: string; placeId: string; onDone: () => void }) {
  const [lot, setLot] = useState('')
  const [expiresOn, setExpiresOn] = useState('')
  const [count, setCount] = useState('')
  const [error, setError] = useState<string | null>(null)
  // The same pack tried again is the same lot; another number or day is another.
  const [lotId, setLotId] = useState(() => uuidv7())
  const changeLot = (change: () => void): void => {
    change()
    setLotId(uuidv7())
  }
  const keep = async (): Promise<void> => {
    const read = readCount(count)
    const missing = missingIn('receive-stock', { lot })
    if (missing) return setError(missing)
    if (typeof read === 'string') return setError(read)
    if (read === 0) return setError('Receive at least one.')
    const outcome = await moveStock(placeId, 'stock-received', {
      lotId,
      itemCode,
      lot: lot.trim(),
      expiresOn: expiresOn || null,
      count: read,
    })
    if (outcome.kind === 'done') onDone()
    else setError(outcome.words)
  }
  return (
    <Form onSend={() => void keep()} aria-label="Receive more" className="flex flex-wrap items-end gap-3">
      <TextField label="Lot on the pack" value={lot} onChange={(event) => changeLot(() => setLot(event.target.value))} className="w-40" />
      <TextField
        label="Expires"
        type="date"
        value={expiresOn}
        onChange={(event) => changeLot(() => setExpiresOn(event.target.value))}
        className="w-44"
      />
      <TextField label="How many" inputMode="numeric" value={count} onChange={(event) => setCount(event.target.value)} className="w-28" />
      <Button type="submit">Put in the store</Button>
      <Button look="quiet" onClick={onDone}>
        Not now
      </Button>
      {error ? (
        <p role="alert" className="w-full text-sm font-semibold text-stop">
          {error}
        </p>
      ) : null}
    </Form>
  )
}
