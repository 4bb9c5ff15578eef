import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import { owedAfterMin, type CountersignAnswer, type GroupToSign } from '#contract/api/countersign'
import { paths } from '#contract/api/paths'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { EmptyPage } from '../../parts/empty-page'
import { makeEvent, sendEvent } from '../../sync/outbox'
import { useAnswer } from '../../sync/use-answer'

/** So many lines are shown before the rest is asked for. */
const fewLines = 6

/** What trainees entered and nobody stands for yet: looked at, and signed case by case. */
export function CountersignScreen() {
  const { answer, refusal } = useAnswer<CountersignAnswer>(paths.countersign)
  const [signed, setSigned] = useState<ReadonlySet<string>>(new Set())
  // What was signed here goes at once: it is on its way.
  const groups = (answer?.groups ?? []).filter((group) => !group.entries.every((entry) => signed.has(entry.eventId)))
  const sign = (group: GroupToSign): void => {
    const events = group.entries.map((entry) => entry.eventId)
    setSigned(new Set([...signed, ...events]))
    void sendEvent(makeEvent({ type: 'episode', id: group.episodeId }, 'countersigned', { events }, 0))
  }
  return (
    <main id="main" className="page page-text grid content-start gap-5">
      <header>
        <h1 className="text-2xl font-bold">Countersign</h1>
        <p className="text-soft">
          What trainees entered, and what a senior said by telephone, acts already. Read it; what you do not agree with, put right in the
          case.
        </p>
      </header>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {!answer && !refusal ? <p role="status">Reading…</p> : null}
      {answer && groups.length === 0 ? (
        <EmptyPage lead="Nothing waits for your name">
          <p>What a trainee enters, and what you said by telephone, stands here until it is countersigned.</p>
        </EmptyPage>
      ) : null}
      <ul aria-label="Waiting, the longest first" className="grid gap-4">
        {groups.map((group) => (
          <Group key={group.entries[0]?.eventId} group={group} nowMs={Date.parse(answer?.now ?? '')} onSign={() => sign(group)} />
        ))}
      </ul>
    </main>
  )
}

function Group({ group, nowMs, onSign }: { group: GroupToSign; nowMs: number; onSign: () => void }) {
  const moment = useMoment()
  const { patient, place, technique, by, signer, isYours, caseId, entries } = group
  const owedSinceMs = Date.parse(entries[0]?.at ?? '') + owedAfterMin * 60_000
  const [isWhole, setWhole] = useState(false)
  const shown = isWhole ? entries : entries.slice(0, fewLines)
  const count = entries.length
  const label = count === 1 ? 'Countersign it' : `Countersign all ${count}`
  return (
    <li className="grid gap-3 rounded-3xl border border-line bg-sheet p-4 sm:p-5">
      <header>
        <h2 className="text-lg font-bold">{patient}</h2>
        <p className="text-soft">{[place, technique, `entered by ${by}`].filter(Boolean).join(' · ')}</p>
        {signer ? (
          <p className="font-semibold">
            Said by telephone: {isYours && signer !== 'a lead' ? 'your own name is asked for' : `waits for the name of ${signer}`}
            {owedSinceMs < nowMs ? `, owed since ${moment(owedSinceMs)}` : ''}
          </p>
        ) : null}
      </header>
      <ol className="divide-y divide-line">
        {shown.map(({ eventId, at, words }) => (
          <li key={eventId} className="grid gap-x-4 py-1.5 sm:grid-cols-[7.5rem_1fr]">
            <span className="text-soft tabular-nums">{moment(Date.parse(at))}</span>
            <span className="min-w-0 break-words">{words}</span>
          </li>
        ))}
      </ol>
      {count > shown.length ? (
        <Button look="quiet" className="justify-self-start" onClick={() => setWhole(true)}>
          Show {count - shown.length} more
        </Button>
      ) : null}
      <div className="flex flex-wrap gap-3">
        {/* Nobody stands for what was not shown. */}
        {isYours ? (
          <Button
            look="next"
            refuses={count > shown.length ? 'Nobody stands for what was not shown: press “Show more” and read it.' : null}
            onClick={onSign}
            aria-label={`${label} of ${patient}, by ${by}`}
          >
            {label}
          </Button>
        ) : null}
        {caseId ? <ButtonLink to={`/case/${caseId}/watch`}>Open the case</ButtonLink> : null}
      </div>
    </li>
  )
}
