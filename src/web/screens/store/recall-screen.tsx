import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { paths } from '#contract/api/paths'
import type { RecallAnswer, RecalledCase } from '#contract/api/recall'
import { spoken } from '#core/model/vocabulary'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { useAnswer } from '../../sync/use-answer'
import { missingIn } from '../../parts/required'

/** Which patients have or had a lot: whoever wears it first. */
export function RecallScreen() {
  const [params, setParams] = useSearchParams()
  const lot = params.get('lot') ?? ''
  const [typed, setTyped] = useState(lot)
  const [error, setError] = useState<string>()
  const { answer, refusal } = useAnswer<RecallAnswer>(lot ? paths.recall(lot) : null)
  const on = answer?.cases.filter((one) => one.isOn) ?? []
  return (
    <main id="main" className="page page-text">
      <h1 className="mb-4 text-2xl font-bold">Recall a lot</h1>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          const missing = missingIn('recall', { lot: typed })
          if (missing) return setError(missing)
          setError(undefined)
          setParams({ lot: typed.trim() })
        }}
      >
        <TextField
          label="Lot"
          value={typed}
          maxLength={40}
          error={error}
          hint="Letter by letter as it is printed."
          className="min-w-64 flex-1"
          onChange={(event) => setTyped(event.target.value)}
          autoFocus
        />
        <Button type="submit" look="next">
          Find who has it
        </Button>
      </form>
      <div className="mt-6 grid gap-4" aria-live="polite">
        {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
        {lot && !answer && !refusal ? <p className="text-soft">Reading…</p> : null}
        {answer ? (
          <p className="text-lg font-bold">
            {answer.cases.length === 0
              ? `Nothing of lot ${answer.lot} was taken for a patient, and no incident names it. What was used without the store is not known here.`
              : `${on.length} ${on.length === 1 ? 'patient wears' : 'patients wear'} something of lot ${answer.lot} now, ${answer.cases.length - on.length} did.`}
          </p>
        ) : null}
        <ul className="grid gap-2" aria-label="Patients of the lot">
          {(answer?.cases ?? []).map((one) => (
            <RecallLine key={one.row.caseId} one={one} />
          ))}
        </ul>
      </div>
    </main>
  )
}

function RecallLine({ one }: { one: RecalledCase }) {
  const moment = useMoment()
  const { row, items, at, by, isOn } = one
  const part = [row.side?.toUpperCase(), row.region ? spoken(row.region) : ''].filter(Boolean).join(' ')
  return (
    <li className={`rounded-2xl border bg-sheet ${isOn ? 'border-2 border-stop' : 'border-line'}`}>
      <Link to={`/case/${row.caseId}/watch`} className="grid min-h-14 gap-x-4 px-4 py-3 sm:grid-cols-[1fr_1fr_auto]">
        <span>
          <strong className="block">{row.patient}</strong>
          <span className="text-soft">{[row.place, row.number].filter(Boolean).join(', ')}</span>
        </span>
        <span>
          {row.techniqueName}, {part}
          <span className="block text-sm text-soft">{items.length > 0 ? items.join(', ') : 'named in an incident'}</span>
        </span>
        <span className="sm:text-right">
          <strong className={isOn ? 'text-stop' : ''}>{isOn ? 'on now' : 'not on'}</strong>
          <span className="block text-sm text-soft">
            {moment(Date.parse(at))}, {by}
          </span>
        </span>
      </Link>
    </li>
  )
}
