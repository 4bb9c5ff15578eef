import { Fragment } from 'react'
import { useNavigate } from 'react-router'
import type { EventInput } from '#contract/event'
import { spoken } from '#core/model/vocabulary'
import { Button } from '../parts/button'
import { Dialog } from '../parts/dialog'
import { formatMoment } from '../parts/format-time'
import { loadCase, nextBase, useCaseStore } from '../sync/case-store'
import { dismissUndecided, postponeLeft, remakeEvent, retryParked, sendEvent, type UndecidedEvent } from '../sync/outbox'

/** Something that the server did not take: both sides, and the choice between them. Nothing typed is lost. */
export function RefusedSheet({ refused }: { refused: Extract<UndecidedEvent, { kind: 'refused' }> }) {
  const { event, problem } = refused
  const { caseId, episodeId } = useCaseStore()
  const isOfHeldCase = event.stream.id === caseId || event.stream.id === episodeId
  const close = (): void => dismissUndecided(event.id)
  const navigate = useNavigate()
  const isBegun = problem.type.endsWith('run-open')
  const isStale = problem.status === 409 && problem.current !== undefined && !isBegun
  const keepMine = async (): Promise<void> => {
    close()
    if (isOfHeldCase && caseId) await loadCase(caseId)
    // Another case may be open by now: it goes where it belongs, on top of what stands there.
    const base = isOfHeldCase ? nextBase(event.stream.id) : ((problem.current as { version?: number }).version ?? 0)
    await sendEvent(remakeEvent(event, base))
  }
  const takeTheirs = (): void => {
    close()
    if (caseId) void loadCase(caseId)
  }
  if (isBegun) {
    const join = (): void => {
      takeTheirs()
      void navigate(`/case/${event.stream.id}/apply`)
    }
    return (
      <Dialog title="Somebody applies it already" isOpen onClose={takeTheirs}>
        <p className="mb-4">{problem.detail}</p>
        <Button look="next" onClick={join}>
          Join it
        </Button>
      </Dialog>
    )
  }
  return (
    <Dialog title={isStale ? 'Changed meanwhile' : 'Not accepted'} isOpen onClose={takeTheirs}>
      <p className="mb-3">{problem.detail}</p>
      <section aria-label="Yours" className="mb-4 rounded-2xl bg-well p-4">
        <h3 className="mb-1 text-sm font-bold">Yours: {spoken(event.kind)}</h3>
        <EventBody event={event} />
      </section>
      {problem.errors?.map((error) => (
        <p key={error.path + error.message} className="mb-2 text-stop">
          {error.message}
        </p>
      ))}
      <div className="flex flex-wrap gap-3">
        {isStale ? (
          <Button look="next" onClick={() => void keepMine()}>
            Send mine again
          </Button>
        ) : null}
        <Button onClick={takeTheirs}>{isStale ? 'Keep theirs' : 'Close'}</Button>
      </div>
    </Dialog>
  )
}

/** Something that the server keeps failing at while it takes other things: kept here, out of the way of the rest. */
export function ParkedSheet({ event }: { event: EventInput }) {
  const again = (): void => retryParked(event.id)
  return (
    <Dialog title="Not sent: the server fails at this" isOpen onClose={again}>
      <p className="mb-3">
        Everything else goes on. This is kept on this device; if it matters to somebody now, tell them by phone. Tell the person who runs
        the server.
      </p>
      <section aria-label="Yours" className="mb-4 rounded-2xl bg-well p-4">
        <h3 className="mb-1 text-sm font-bold">Yours: {spoken(event.kind)}</h3>
        <EventBody event={event} />
      </section>
      <div className="flex flex-wrap gap-3">
        <Button look="next" onClick={again}>
          Keep it and try again
        </Button>
        <Button onClick={() => dismissUndecided(event.id)}>Throw it away</Button>
      </div>
    </Dialog>
  )
}

/** Something that another version left unsent here: shown whole, so that it is written down, and never sent by this one. */
export function OtherVersionSheet({ left }: { left: Extract<UndecidedEvent, { kind: 'of-other-version' }> }) {
  const { event, whose } = left
  return (
    <Dialog title="Left by another version: write it down" isOpen onClose={() => postponeLeft(event.id)}>
      <p className="mb-3">
        This was entered here in another version of Zesty Wren and never reached the server. This version cannot send it: write it down,
        enter it again, and tell whoever it matters to now.
      </p>
      <section aria-label="Yours" className="mb-4 rounded-2xl bg-well p-4">
        <h3 className="mb-1 text-sm font-bold">
          Yours: {spoken(event.kind)}
          {event.at === undefined ? '' : `, ${formatMoment(event.at)}`}
        </h3>
        {event.stream === undefined ? null : (
          <p className="mb-2 font-bold">{whose === '' ? 'Whose it is was not kept here: look at the time.' : whose}</p>
        )}
        <EventBody event={event} />
      </section>
      <div className="flex flex-wrap gap-3">
        <Button look="next" onClick={() => dismissUndecided(event.id)}>
          It is written down: let it go
        </Button>
        <Button onClick={() => postponeLeft(event.id)}>Keep it here for now</Button>
      </div>
    </Dialog>
  )
}

/** What was entered, a line each, as people would read it out. */
function EventBody({ event }: { event: Pick<EventInput, 'kind' | 'body'> }) {
  if (event.kind === 'plan') return <p>The accepted plan</p>
  return (
    <dl className="grid max-h-48 grid-cols-[auto_1fr] gap-x-4 overflow-auto">
      {linesOf(event.body).map(([label, value]) => (
        <Fragment key={label}>
          <dt className="text-soft">{label}</dt>
          <dd className="whitespace-pre-wrap">{value}</dd>
        </Fragment>
      ))}
    </dl>
  )
}

/** Fields and their values; ids are nobody's to read. */
function linesOf(value: unknown, label = ''): readonly (readonly [string, string])[] {
  if (value === null || value === undefined || value === '') return []
  if (Array.isArray(value) && value.every((one) => typeof one !== 'object'))
    return value.length === 0 ? [] : [[label, value.map((one) => asWords(String(one))).join(', ')]]
  if (typeof value === 'object')
    return Object.entries(value).flatMap(([key, one]) =>
      /id$/i.test(key) ? [] : linesOf(one, /^\d+$/.test(key) ? label : `${label} ${inWords(key)}`.trim()),
    )
  return [[label, typeof value === 'boolean' ? (value ? 'yes' : 'no') : asWords(String(value))]]
}

/** Ids of choices as words; what somebody wrote stays as it was written. */
function asWords(value: string): string {
  return /^[a-z]+(-[a-z]+)*$/.test(value) ? spoken(value) : value
}

/** A field's name as words: "levelCm" is "level cm". */
function inWords(key: string): string {
  return spoken(key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase())
}
