import type { EventInput } from '#contract/event'
import { spoken } from '#core/case/vocabulary'
import { Button } from '../parts/button'
import { Dialog } from '../parts/dialog'
import { loadCase, useCaseStore, writeEvent } from '../stores/case-store'
import { dismissUndecided, makeEvent, retryParked, sendEvent, type UndecidedEvent } from '../sync/outbox'
import type { EventKindId } from '#contract/event-kinds'

/** Something that the server did not take: both sides, and the choice between them. Nothing typed is lost. */
export function RefusedSheet({ refused }: { refused: Extract<UndecidedEvent, { kind: 'refused' }> }) {
  const { event, problem } = refused
  const { caseId, episodeId } = useCaseStore()
  const isOfHeldCase = event.stream.id === caseId || event.stream.id === episodeId
  const close = (): void => dismissUndecided(event.id)
  const isStale = problem.status === 409 && problem.current !== undefined
  const keepMine = async (): Promise<void> => {
    close()
    const { kind, body } = event as { kind: EventKindId; body: object }
    if (isOfHeldCase && caseId) {
      await loadCase(caseId)
      await writeEvent(kind, body)
    } else {
      // Another case is open by now: it goes where it belongs, on top of what stands there.
      await sendEvent(makeEvent(event.stream, kind, body, (problem.current as { version?: number }).version ?? 0))
    }
  }
  const takeTheirs = (): void => {
    close()
    if (caseId) void loadCase(caseId)
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

function EventBody({ event }: { event: EventInput }) {
  const text = event.kind === 'plan' ? 'The accepted plan' : JSON.stringify(event.body, null, 1)
  return <pre className="max-h-48 overflow-auto whitespace-pre-wrap text-sm">{text}</pre>
}
