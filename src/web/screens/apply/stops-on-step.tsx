import { useWords } from '../../sync/use-words'
import { callsOf } from '#contract/views/calls-of'
import type { Caution } from '#core/model/plan'
import { hasRight } from '#contract/rights'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import type { OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'

/** Stops that stand on a step, first of all: Done does not pass them; a clinician may go on all the same, and says why. */
export function StopsOnStep({
  open,
  stops,
  isDriver,
  onDespite,
}: {
  open: OpenCase
  stops: readonly Caution[]
  isDriver: boolean
  onDespite: () => void
}) {
  const say = useWords()
  const person = usePerson()
  if (stops.length === 0) return null
  // A pulseless limb is still splinted for the way, once the senior knows.
  const waitsForCall = stops.some((one) => one.code === 'pulse-absent') && !callsOf(open.record).some((call) => call.isReached)
  return (
    <div className="grid gap-2">
      {stops.map((stop) => (
        <Notice key={stop.code} tone="stop" lead={say(stop.text)} role="alert">
          {say(stop.why)}
        </Notice>
      ))}
      {!hasRight(person.roles, 'decide') ? (
        <p className="text-soft">Only a clinician goes on all the same.</p>
      ) : waitsForCall ? (
        <p className="font-semibold">Record the call to the senior first: “Record the call”, under what stands.</p>
      ) : (
        <div>
          <Button disabled={!isDriver} onClick={onDespite}>
            Go on all the same
          </Button>
        </div>
      )}
    </div>
  )
}
