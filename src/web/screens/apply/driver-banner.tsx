import { useState } from 'react'
import { stepName } from '#core/runs/step-name'
import { formatClock } from '../../parts/format-time'
import { Button } from '../../parts/button'
import { SheetForm } from '../../parts/sheet-form'
import { useNow } from '../../sync/use-now'
import { useOutbox } from '../../sync/outbox'
import { usePerson } from '../../sync/session-store'
import type { RunControl } from './use-run'

/** So long whoever leads a run is told what somebody else ticked on it. */
const toldMs = 60_000

/** Whose an open run is where another screen leads it, with two ways on: help, under one's own name, or take it over. */
export function DriverBanner({ control }: { control: RunControl }) {
  const { driver } = control.run
  const { name } = usePerson()
  const [isAsking, setAsking] = useState(false)
  if (!driver) return null
  if (control.isDriver) return <Told control={control} />
  const { step, steps, isHelping } = control
  const isOwn = driver.by === name
  const at = step ? `, step ${steps.indexOf(step) + 1} of ${steps.length}` : ''
  return (
    <section
      aria-label="Who leads"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-2xl border-[1.5px] border-known bg-well px-4 py-3"
    >
      <p className="min-w-0 flex-1 basis-60">
        <strong>
          {isOwn ? 'You are applying on another screen' : `${driver.by} is applying`}
          {at}.
        </strong>{' '}
        {isHelping
          ? 'You help: what you tick is kept under your name.'
          : `Since ${formatClock(driver.at)}. Nothing you press here counts yet.`}
      </p>
      {isHelping ? (
        <Button onClick={() => control.help(false)}>Only look</Button>
      ) : isOwn ? null : (
        <Button onClick={() => control.help(true)}>Help</Button>
      )}
      <Button onClick={() => (isOwn ? control.takeOver() : setAsking(true))}>Take over</Button>
      {isAsking ? (
        <SheetForm
          title={`Take over from ${driver.by}?`}
          sendLabel="Take over"
          backLabel="Leave it"
          sendLook="plain"
          onSend={() => {
            setAsking(false)
            control.takeOver()
          }}
          onClose={() => setAsking(false)}
        >
          <p>Say it to {driver.by} as well. Their screen is told, and follows yours from then on.</p>
        </SheetForm>
      ) : null}
    </section>
  )
}

/** What whoever leads has to know of others: that taking over did not reach them yet, and what somebody else just ticked. */
function Told({ control }: { control: RunControl }) {
  const { run, steps } = control
  const { name } = usePerson()
  const now = useNow(5_000)
  const isUnsent = useOutbox(({ pending, line }) => line !== 'fine' && pending.some((event) => isLeaseOf(event, run.id)))
  const last = run.steps.at(-1)
  const isOthers = last !== undefined && last.by !== name && now - Date.parse(last.at) < toldMs
  const step = isOthers ? steps.find(({ id }) => id === last.stepId) : undefined
  if (!isUnsent && !step) return null
  return (
    <p role="status" className="rounded-2xl bg-well px-4 py-2 font-semibold">
      {isUnsent ? 'You lead here; not confirmed, there is no connection: another screen may still lead too. ' : ''}
      {step && last ? `${last.by}, ${formatClock(last.at)}: ${stepName(step)}, ${outcomeWords[last.outcome]}.` : ''}
    </p>
  )
}

const outcomeWords = { done: 'done', skipped: 'skipped', undone: 'taken back' } as const

function isLeaseOf({ kind, body }: { readonly kind: string; readonly body: unknown }, runId: string): boolean {
  return kind === 'run-lease' && (body as { readonly runId?: string }).runId === runId
}
