import { momentBefore, useMoment } from '../../sync/use-moment'
import { DateTime } from 'luxon'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import type { AuditAnswer, AuditLine } from '#contract/api/audit'
import type { ManagedPeopleAnswer } from '#contract/api/people'
import { paths } from '#contract/api/paths'
import { hasRight } from '#contract/rights'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { EmptyPage } from '../../parts/empty-page'
import { serverNow } from '../../sync/server-clock'
import { usePerson } from '../../sync/session-store'
import { useAnswer } from '../../sync/use-answer'

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC'

/** Who read and wrote what, for admins: by person, patient and day; what is asked for stays in the address. */
export function AuditScreen() {
  const mayLook = hasRight(usePerson().roles, 'manage-people')
  const [params, setParams] = useSearchParams()
  const today = DateTime.fromMillis(serverNow(), { zone }).toISODate() ?? ''
  const asked = {
    person: params.get('person') ?? '',
    number: params.get('number') ?? '',
    from: params.get('from') ?? today,
    until: params.get('until') ?? today,
  }
  const people = useAnswer<ManagedPeopleAnswer>(mayLook ? paths.managedPeople : null)
  const query = new URLSearchParams({ ...Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== '')), zone })
  const { answer, refusal } = useAnswer<AuditAnswer>(mayLook ? paths.audit(query.toString()) : null)
  if (!mayLook)
    return (
      <main id="main" className="page page-text">
        <h1 className="text-2xl font-bold">Audit</h1>
        <Notice tone="note" lead="Only an admin looks at who read what" role="status">
          Ask one if you have to know.
        </Notice>
      </main>
    )
  return (
    <main id="main" className="page page-list grid content-start gap-5">
      <header>
        <h1 className="text-2xl font-bold">Audit</h1>
        <p className="text-soft">Who read and wrote what of patients. Reads of the same thing within a quarter of an hour are one line.</p>
      </header>
      <Question
        key={params.toString()}
        asked={asked}
        people={people.answer?.people.map(({ id, name }) => ({ id, name })) ?? []}
        onAsk={(next) => setParams(Object.fromEntries(Object.entries(next).filter(([, value]) => value !== '')))}
      />
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {answer ? <Lines answer={answer} /> : refusal ? null : <p role="status">Reading…</p>}
    </main>
  )
}

type Asked = Readonly<Record<'person' | 'number' | 'from' | 'until', string>>

function Question({
  asked,
  people,
  onAsk,
}: {
  asked: Asked
  people: readonly { readonly id: string; readonly name: string }[]
  onAsk: (asked: Asked) => void
}) {
  const [typed, setTyped] = useState(asked)
  const set = (part: Partial<Asked>): void => setTyped({ ...typed, ...part })
  return (
    <form
      noValidate
      aria-label="What to look for"
      className="grid items-end gap-4 rounded-3xl border border-line bg-sheet p-4 sm:grid-cols-[1.2fr_1fr_auto_auto_auto]"
      onSubmit={(event) => {
        event.preventDefault()
        onAsk({ ...typed, number: typed.number.trim() })
      }}
    >
      <label className="block text-sm font-semibold text-soft">
        <span className="mb-1.5 block">Person</span>
        <select className="field-box" value={typed.person} onChange={(event) => set({ person: event.target.value })}>
          <option value="">Everybody</option>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <TextField label="Hospital number" maxLength={40} value={typed.number} onChange={(event) => set({ number: event.target.value })} />
      <TextField label="From" type="date" value={typed.from} onChange={(event) => set({ from: event.target.value })} />
      <TextField label="To" type="date" value={typed.until} onChange={(event) => set({ until: event.target.value })} />
      <Button type="submit" look="next">
        Look
      </Button>
    </form>
  )
}

function Lines({ answer: { lines, isCut } }: { answer: AuditAnswer }) {
  const moment = useMoment()
  if (lines.length === 0)
    return (
      <EmptyPage lead="Nobody did anything of this kind in these days">
        <p>Ask for more days, or for everybody.</p>
      </EmptyPage>
    )
  return (
    <>
      {isCut ? (
        <Notice tone="note" lead={`The newest ${lines.length} lines`}>
          Narrow the days, or choose a person, to see older ones.
        </Notice>
      ) : null}
      <ol aria-label="The newest first" className="divide-y divide-line rounded-3xl border border-line bg-sheet">
        {lines.map((line, index) => (
          <li key={`${line.at} ${index}`} className="grid gap-x-4 px-4 py-2 sm:grid-cols-[10rem_1fr_1.4fr]">
            <span className="text-soft tabular-nums">{moment(Date.parse(line.at), momentBefore(lines, index))}</span>
            <strong className="min-w-0 wrap-anywhere">{line.by}</strong>
            <span className="min-w-0">{whatWords(line)}</span>
          </li>
        ))}
      </ol>
    </>
  )
}

function whatWords({ did, what, patient }: AuditLine) {
  return (
    <>
      {did === 'read' ? `Read: ${what}` : `Wrote: ${what}`}
      {patient === null ? null : (
        <span className="block text-sm text-soft wrap-anywhere">{patient ? `patient ${patient}` : 'a patient without a number yet'}</span>
      )}
    </>
  )
}
