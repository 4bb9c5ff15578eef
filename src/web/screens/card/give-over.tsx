import { useState } from 'react'
import { isHandedOver } from '#contract/records/crew-hand-over'
import { hasRight, isPairedDevice } from '#contract/rights'
import { Button } from '../../parts/button'
import { writeAndHear, type OpenCase } from '../../sync/case-store'
import type { Outcome } from '../../sync/outbox'
import { usePerson } from '../../sync/session-store'
import { useDraft } from '../../sync/use-draft'

/** To whom or where a patient is given, as it is typed beside the card. */
export function useGivenTo(caseId: string): readonly [string, (to: string) => void] {
  const [to, setTo] = useDraft(`case/${caseId}/give-over`)
  return [to, setTo]
}

/** Whether whoever looks may say "I give over", and "I have the patient". */
export function useSides({ episode }: OpenCase): { readonly mayGive: boolean; readonly mayReceive: boolean; readonly isCrew: boolean } {
  const { roles } = usePerson()
  const { unattributed, crewHandOver } = episode
  const isCrew = isPairedDevice(roles)
  const mayAdd = isCrew || hasRight(roles, 'add')
  const isOpen = mayAdd && !isHandedOver(crewHandOver)
  return {
    isCrew,
    mayGive: isOpen && crewHandOver?.given === undefined && (isCrew || unattributed === undefined),
    mayReceive: isOpen && !isCrew && crewHandOver?.received === undefined,
  }
}

/** As much of the card as an entry keeps. */
const longestLine = 600
const mostLines = 60

/** Both sides of a hand-over, each by one press; what stood on the card when it was pressed is kept with it. @param told lines of the card */
export function GiveOver({ open, told }: { open: OpenCase; told: readonly string[] }) {
  const [to, setTo] = useGivenTo(open.record.id)
  const [refusal, setRefusal] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const { mayGive, mayReceive } = useSides(open)
  const { unattributed, crewHandOver } = open.episode
  const isUnclaimed = unattributed !== undefined && unattributed.claimed === undefined
  const lines = told.map((line) => line.slice(0, longestLine)).slice(0, mostLines)
  const say = async (press: () => Promise<Outcome>): Promise<void> => {
    setBusy(true)
    const outcome = await press()
    setBusy(false)
    setRefusal(outcome.kind === 'refused' ? outcome.problem.detail : null)
  }
  const give = (): Promise<void> =>
    say(async () => {
      const outcome = await writeAndHear('patient-given', { to: to.trim(), told: lines }, () => true)
      if (outcome.kind !== 'refused') setTo('')
      return outcome
    })
  const receive = (isWithoutWords: boolean): Promise<void> =>
    say(() => writeAndHear('patient-received', { told: lines, ...(isWithoutWords ? { withoutWords: true } : {}) }, () => true))
  return (
    <>
      {refusal ? (
        <p role="alert" className="w-full font-bold text-stop">
          Not recorded. {refusal}
        </p>
      ) : null}
      {mayReceive && unattributed && !crewHandOver?.given && !isUnclaimed ? (
        <Button look="quiet" disabled={isBusy} onClick={() => void receive(true)}>
          The crew has gone: I have the patient
        </Button>
      ) : null}
      {mayGive ? (
        <Button look={mayReceive ? 'plain' : 'next'} disabled={isBusy} onClick={() => void give()}>
          I give over
        </Button>
      ) : null}
      {mayReceive ? (
        <Button
          look="next"
          disabled={isBusy}
          refuses={isUnclaimed ? 'Nobody answers for this stay yet: a clinician claims it first, above.' : null}
          onClick={() => void receive(false)}
        >
          I have the patient
        </Button>
      ) : null}
    </>
  )
}
