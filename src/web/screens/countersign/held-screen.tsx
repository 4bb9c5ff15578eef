import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import type { HeldAnswer, HeldDecision, HeldEntry, HeldReason } from '#contract/api/held-entries'
import { paths } from '#contract/api/paths'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { EmptyPage } from '../../parts/empty-page'
import { rereadAnswers } from '../../sync/answers'
import { callApi, describeNoAnswer } from '../../sync/api'
import { useAnswer } from '../../sync/use-answer'

const reasons: Readonly<Record<HeldReason, string>> = {
  'access-ended': 'sent after their access was ended or reset',
  'fewer-roles': 'sent after a role of theirs was taken away',
  unpaired: 'sent from a device that was unpaired since',
  'too-old': 'sent more than 14 days after it was entered',
}

/** What came from a device and was not taken: a lead takes each entry, or puts it aside with a reason. */
export function HeldScreen() {
  const { answer, refusal } = useAnswer<HeldAnswer>(paths.held)
  const [aside, setAside] = useState<HeldEntry | null>(null)
  const [failed, setFailed] = useState<{ readonly id: string; readonly words: string } | null>(null)
  const decide = async (entry: HeldEntry, decision: HeldDecision): Promise<void> => {
    const result = await callApi('POST', paths.heldEntry(entry.id), decision)
    setFailed(
      result.kind === 'ok'
        ? null
        : {
            id: entry.id,
            words: result.kind === 'refused' ? result.problem.detail : `${describeNoAnswer(result)}: try again in a moment.`,
          },
    )
    rereadAnswers()
  }
  const entries = answer?.entries ?? []
  return (
    <main id="main" className="page page-text grid content-start gap-5">
      <header>
        <h1 className="text-2xl font-bold">Entries not taken</h1>
        <p className="text-soft">
          They came from a device when their author could not be confirmed. What was urgent stands already, marked; nothing else acts unless
          you take it.
        </p>
      </header>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {!answer && !refusal ? <p role="status">Reading…</p> : null}
      {answer && entries.length === 0 ? (
        <EmptyPage lead="Nothing waits for a lead">
          <p>Entries stand here that came late under an access that had ended by then.</p>
        </EmptyPage>
      ) : null}
      <ul aria-label="Waiting, entered first" className="grid gap-4">
        {entries.map((entry) => (
          <Held
            key={entry.id}
            entry={entry}
            failed={failed?.id === entry.id ? failed.words : null}
            onTake={() => void decide(entry, { how: 'taken', why: '' })}
            onAside={() => setAside(entry)}
          />
        ))}
      </ul>
      {answer && answer.waiting > entries.length ? <p className="text-soft">{answer.waiting - entries.length} more follow these.</p> : null}
      {aside ? (
        <ReasonSheet
          title="Put it aside"
          draftKey={`held/${aside.id}`}
          submitLabel="Put it aside"
          backLabel="Not now"
          label="Why"
          hint="For example: she says that it is not hers."
          form="put-aside"
          onClose={() => setAside(null)}
          onReason={(why) => {
            setAside(null)
            void decide(aside, { how: 'put-aside', why })
          }}
        >
          <p>
            {aside.words}, by {aside.by}. It stays in the records of the server, and in no patient’s.
          </p>
        </ReasonSheet>
      ) : null}
    </main>
  )
}

function Held({ entry, failed, onTake, onAside }: { entry: HeldEntry; failed: string | null; onTake: () => void; onAside: () => void }) {
  const moment = useMoment()
  const { patient, place, at, by, why, words, caseId } = entry
  const who = patient === '' ? 'A patient not known here' : patient
  return (
    <li className="grid gap-3 rounded-3xl border border-line bg-sheet p-4 sm:p-5">
      <header>
        <h2 className="text-lg font-bold">{who}</h2>
        <p className="text-soft">{[place, `by ${by}`, reasons[why]].filter(Boolean).join(' · ')}</p>
      </header>
      <p className="grid gap-x-4 sm:grid-cols-[7.5rem_1fr]">
        <span className="text-soft tabular-nums">{moment(Date.parse(at))}</span>
        <span className="min-w-0 break-words">{words}</span>
      </p>
      {failed ? <Notice tone="stop" lead={failed} role="alert" /> : null}
      <div className="flex flex-wrap gap-3">
        <Button onClick={onTake} aria-label={`Take it: ${words}`}>
          Take it, and sign
        </Button>
        <Button look="quiet" onClick={onAside} aria-label={`Put it aside: ${words}`}>
          Put it aside
        </Button>
        {caseId ? <ButtonLink to={`/case/${caseId}/watch`}>Open the case</ButtonLink> : null}
      </div>
    </li>
  )
}
