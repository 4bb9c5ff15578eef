import { useWords } from '../../sync/use-words'
import { waitsForOrder, type BindingStop, type WaysOn } from '#core/runs/what-binds'
import { hasRight } from '#contract/rights'
import { ordersPlace } from '../../case/orders-place'
import { Button, ButtonLink } from '../../parts/button'
import { formatDayAndClock } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { usePerson } from '../../sync/session-store'

/** Stops that stand on a step, first of all: Done does not pass them; a clinician may go on all the same, and says why. */
export function StopsOnStep({
  caseId,
  stops,
  ways,
  isDriver,
  onDespite,
}: {
  caseId: string
  stops: readonly BindingStop[]
  ways: WaysOn
  isDriver: boolean
  onDespite: () => void
}) {
  const say = useWords()
  const person = usePerson()
  if (stops.length === 0) return null
  const mayDecide = hasRight(person.roles, 'decide')
  return (
    <div className="grid gap-2">
      {stops.map((stop) => (
        <Notice key={stop.code} tone="stop" lead={say(stop.text)} role="alert">
          {say(stop.why)}
          {stop.sinceMs === undefined ? null : <span className="block">Since {formatDayAndClock(stop.sinceMs)}.</span>}
          {stop.code === waitsForOrder ? (
            <p>
              <ButtonLink to={`/case/${caseId}/size-up#${ordersPlace}`} className="mt-2">
                Enter the order
              </ButtonLink>
            </p>
          ) : null}
        </Notice>
      ))}
      {ways.despite === 'no' ? (
        <p className="font-semibold">Nobody goes on over this, and nobody skips it: once what raises it is changed, the step is free.</p>
      ) : !mayDecide ? (
        <p className="text-soft">Only a clinician goes on all the same.</p>
      ) : ways.despite === 'after-call' ? (
        <p className="font-semibold">Record the call to the senior first: “Record the call”, under what stands.</p>
      ) : (
        <div>
          <Button refuses={isDriver ? null : 'Another screen leads this run: take it over above.'} onClick={onDespite}>
            Go on all the same
          </Button>
        </div>
      )}
    </div>
  )
}
