import { useEffect, useState } from 'react'
import type { Plan } from '#core/model/plan'
import type { CaseRecord } from '#contract/records/case'
import { lotLines, lotsToPick, type LotLine } from '#ward/case/lots-used'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'
import { loadPlace, useStock } from '../../sync/stock-store'
import { useDraft } from '../../sync/use-draft'

/** Of which lots everything is that was used: picked from the store, typed, or "unknown"; folded, with how many are still asked. */
export function LotPanel({ record, plan }: { record: CaseRecord; plan: Plan }) {
  const placeId = record.store?.placeId
  useEffect(() => void (placeId ? loadPlace(placeId) : undefined), [placeId])
  const lines = lotLines(record, plan)
  const open = lines.filter((line) => !line.answer)
  if (lines.length === 0) return null
  return (
    <details className="rounded-2xl border border-line bg-sheet p-4">
      <summary className="min-h-11 cursor-pointer content-center font-bold">
        Lots of what was used
        <span className="ml-2 font-normal text-soft">
          {open.length > 0 ? `${open.length} of ${lines.length} to say` : 'all said'}; a recall finds the patient by them
        </span>
      </summary>
      <ul className="mt-3 grid gap-4">
        {lines.map((line) => (
          <LotRow key={line.id} record={record} line={line} />
        ))}
      </ul>
      {open.length > 1 ? (
        <Button className="mt-4" onClick={() => open.forEach((one) => void writeEvent('lots', { item: one.id, lots: [] }))}>
          The other {open.length}: unknown
        </Button>
      ) : null}
    </details>
  )
}

/** As the server takes them. */
const most = 6
const isLot = (one: string): boolean => one.length >= 2 && one.length <= 40

function LotRow({ record, line }: { record: CaseRecord; line: LotLine }) {
  const { answer, movements } = useStock()
  const [typed, setTyped] = useDraft(`case/${record.id}/lot/${line.id}`)
  const [isWrong, setWrong] = useState(false)
  const picks = answer && answer.place.id === record.store?.placeId ? lotsToPick(line, answer.lines, movements, record.id).slice(0, 4) : []
  const say = (lots: readonly string[]): void => {
    setTyped('')
    void writeEvent('lots', { item: line.id, lots })
  }
  const lots = typed.split(',').flatMap((one) => one.trim() || [])
  const said = line.answer && (line.answer.lots.length > 0 ? line.answer.lots.join(', ') : 'unknown')
  return (
    <li className="grid gap-2">
      <p>
        <strong>{line.label}</strong>
        {said ? <span className="text-soft">: {said}</span> : null}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        {picks.map(({ lot, isTaken }) => (
          <Button key={lot} aria-label={`${line.label}: lot ${lot}`} onClick={() => say([lot])}>
            {lot}
            {isTaken ? ' ✓ taken' : ''}
          </Button>
        ))}
        <TextField
          label="Lot (two: with a comma)"
          aria-label={`Lot of ${line.label}`}
          value={typed}
          maxLength={260}
          error={isWrong ? 'A lot has 2 to 40 signs, six lots at most. Where it cannot be read, press Unknown.' : undefined}
          onChange={(event) => {
            setWrong(false)
            setTyped(event.target.value)
          }}
        />
        <Button
          aria-label={`Keep the lot of ${line.label}`}
          onClick={() => (lots.every(isLot) && lots.length > 0 && lots.length <= most ? say([...new Set(lots)]) : setWrong(true))}
        >
          Keep
        </Button>
        {line.answer ? null : (
          <Button look="quiet" aria-label={`Lot of ${line.label}: unknown`} onClick={() => say([])}>
            Unknown
          </Button>
        )}
      </div>
    </li>
  )
}
