import { useEffect, useState } from 'react'
import { useParams } from 'react-router'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useDraft } from '../../sync/use-draft'
import { loadPlace, moveStock, useStock } from '../../sync/stock-store'
import { Keypad } from './count-keypad'
import { readCount } from './read-count'

/** A round with a phone from shelf to shelf: one lot at a time, its count in thumb-sized digits. */
export function CountRound() {
  const { placeId = '' } = useParams()
  const answer = useStock((store) => store.answer)
  const [at, setAt] = useDraft(`count/${placeId}`)
  const [typed, setTyped] = useState('')
  const [error, setError] = useState<string | null>(null)
  useEffect(() => void loadPlace(placeId), [placeId])
  if (!answer || answer.place.id !== placeId) {
    return (
      <main id="main" className="p-6">
        <h1 className="text-xl font-bold">Count round</h1>
        <p role="status">Reading the store…</p>
      </main>
    )
  }
  const lots = answer.lines.flatMap((line) => line.lots.map((lot) => ({ ...lot, label: line.label })))
  const position = Math.min(Number(at) || 0, lots.length)
  const lot = lots[position]
  const go = (next: number): void => {
    setAt(String(Math.max(0, next)))
    setTyped('')
    setError(null)
  }
  const keep = async (count: number): Promise<void> => {
    if (!lot) return
    const outcome = count === lot.count ? null : await moveStock(placeId, 'stock-counted', { lotId: lot.lotId, count })
    // What is kept here goes later: the round goes on from shelf to shelf.
    if (outcome?.kind === 'refused') setError(outcome.words)
    else go(position + 1)
  }
  const enter = (): void => {
    const read = readCount(typed)
    if (typeof read === 'string') setError(read)
    else void keep(read)
  }
  return (
    <main id="main" className="mx-auto grid w-full max-w-md content-start gap-4 p-4">
      <div className="flex items-baseline justify-between gap-3">
        <h1 className="text-xl font-bold">Count round</h1>
        <p className="text-soft">
          {answer.place.name}, {Math.min(position + 1, lots.length)} of {lots.length}
        </p>
      </div>
      {lot ? (
        <>
          <section aria-label="Lot to count" className="rounded-3xl border border-line bg-sheet p-5">
            <p className="text-xl font-bold">{lot.label}</p>
            <p className="text-soft">
              Lot <strong className="text-ink">{lot.lot}</strong>
              {lot.expiresOn ? `, expires ${lot.expiresOn}` : ''}
            </p>
            <p className="mt-2">
              Counted last: <strong className="numeral">{lot.count}</strong>
            </p>
            <p className="numeral mt-3 min-h-12 rounded-2xl border-2 border-ink bg-paper px-4 py-2 text-right text-3xl" aria-live="polite">
              <span className="sr-only">Count now: </span>
              {typed === '' ? <span className="text-soft">how many?</span> : typed}
            </p>
            {error ? (
              <p role="alert" className="mt-2 font-semibold text-stop">
                {error}
              </p>
            ) : null}
          </section>
          <Keypad onDigit={(digit) => setTyped(`${typed}${digit}`.slice(0, 6))} onErase={() => setTyped(typed.slice(0, -1))} />
          <div className="grid grid-cols-2 gap-3">
            <Button onClick={() => void keep(lot.count)}>Still {lot.count}</Button>
            <Button look="next" onClick={enter}>
              Enter
            </Button>
            <Button look="quiet" disabled={position === 0} onClick={() => go(position - 1)}>
              Back
            </Button>
            <Button look="quiet" onClick={() => go(position + 1)}>
              Skip
            </Button>
          </div>
        </>
      ) : (
        <>
          <Notice tone="calm" lead="Every lot was passed">
            What was skipped keeps its last count.
          </Notice>
          <div className="grid grid-cols-2 gap-3">
            <Button onClick={() => go(0)}>From the start</Button>
            <ButtonLink look="next" to={`/store/${placeId}`}>
              To the store
            </ButtonLink>
          </div>
        </>
      )}
    </main>
  )
}
