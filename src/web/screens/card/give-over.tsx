import { useState } from 'react'
import { isHandedOver } from '#contract/records/crew-hand-over'
import { hasRight, isPairedDevice } from '#contract/rights'
import { Button } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { writeAndHear, type OpenCase } from '../../sync/case-store'
import type { Outcome } from '../../sync/outbox'
import { usePerson } from '../../sync/session-store'
import { useDraft } from '../../sync/use-draft'

/** Both sides of a hand-over, each by one press; what stood on the card when it was pressed is kept with it. @param told lines of the card */
export function GiveOver({ open, told }: { open: OpenCase; told: readonly string[] }) {
  const { roles } = usePerson()
  const [refusal, setRefusal] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const { episode } = open
  const { given, received } = episode.crewHandOver ?? {}
  const isCrew = isPairedDevice(roles)
  const isDone = isHandedOver(episode.crewHandOver)
  const mayAdd = isCrew || hasRight(roles, 'add')
  const isUnclaimed = episode.unattributed !== undefined && episode.unattributed.claimed === undefined
  const say = async (press: () => Promise<Outcome>): Promise<void> => {
    setBusy(true)
    const outcome = await press()
    setBusy(false)
    setRefusal(outcome.kind === 'refused' ? outcome.problem.detail : null)
  }
  const lines = told.map((line) => line.slice(0, longestLine)).slice(0, mostLines)
  const receive = (isWithoutWords: boolean): Promise<void> =>
    say(() => writeAndHear('patient-received', { told: lines, ...(isWithoutWords ? { withoutWords: true } : {}) }, () => true))
  const mayGive = mayAdd && !given && !isDone && (isCrew || episode.unattributed === undefined)
  const mayReceive = mayAdd && !isCrew && !received && !isDone
  return (
    <section aria-labelledby="hand-over" className="grid gap-3">
      <h2 id="hand-over" className="text-lg font-bold">
        Hand-over
      </h2>
      {given ? (
        <p>
          <strong>{given.by}</strong> gave over{given.to ? ` to ${given.to}` : ''}, {formatClock(given.at)}.
        </p>
      ) : null}
      {received ? (
        <p>
          <strong>{received.by}</strong> has the patient, {formatClock(received.at)}
          {received.withoutWords ? '; taken without words' : ''}.
        </p>
      ) : null}
      {isDone ? <p className="font-semibold">Both sides have said so.</p> : null}
      {given && !received && isCrew ? <p>It waits for “I have the patient” on the other side; until then you keep the case.</p> : null}
      {refusal ? <Notice tone="stop" lead={refusal} role="alert" /> : null}
      {mayGive ? (
        <Give
          caseId={open.record.id}
          isBusy={isBusy}
          onGive={(to) => void say(() => writeAndHear('patient-given', { to, told: lines }, () => true))}
        />
      ) : null}
      {mayReceive ? (
        <div className="flex flex-wrap gap-3">
          <Button
            look="next"
            className="min-h-14 text-lg"
            disabled={isBusy}
            refuses={isUnclaimed ? 'Nobody answers for this stay yet: a clinician claims it first, above.' : null}
            onClick={() => void receive(false)}
          >
            I have the patient
          </Button>
          {given || isUnclaimed ? null : (
            <Button disabled={isBusy} onClick={() => void receive(true)}>
              The crew has gone: I have the patient
            </Button>
          )}
        </div>
      ) : null}
    </section>
  )
}

/** As much of the card as an entry keeps. */
const longestLine = 600
const mostLines = 60

function Give({ caseId, isBusy, onGive }: { caseId: string; isBusy: boolean; onGive: (to: string) => void }) {
  const [to, setTo] = useDraft(`case/${caseId}/give-over`)
  return (
    <div className="grid gap-3">
      <Button
        look="next"
        className="min-h-14 text-lg"
        disabled={isBusy}
        onClick={() => {
          onGive(to.trim())
          setTo('')
        }}
      >
        I give over
      </Button>
      <TextField label="To whom or where, if you like" value={to} maxLength={120} onChange={(event) => setTo(event.target.value)} />
    </div>
  )
}
