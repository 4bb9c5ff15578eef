import { useLocation } from 'react-router'
import { isHandedOver } from '#contract/records/crew-hand-over'
import { isPairedDevice } from '#contract/rights'
import { ButtonLink } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import type { OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'

/** Where a patient is given from one crew to the next: how far that has come, and the way to the card on which both say so. */
export function GiveOverBar({ open }: { open: OpenCase }) {
  const { roles } = usePerson()
  const { pathname } = useLocation()
  const words = giveOverWords(open, isPairedDevice(roles), pathname)
  const card = `/case/${open.record.id}/card`
  if (words === null || pathname === card) return null
  return (
    <section aria-label="Hand-over of this patient" className="border-b border-line bg-well">
      <div className="mx-auto flex max-w-7xl flex-wrap items-center gap-x-5 gap-y-1 px-3 py-1 sm:px-6">
        <p className="min-w-0 flex-1">{words}</p>
        <ButtonLink to={card}>Receiver’s card</ButtonLink>
      </div>
    </section>
  )
}

/** How far it has come; null where nobody is giving anybody over. */
function giveOverWords({ record, episode }: OpenCase, isCrew: boolean, pathname: string): string | null {
  const { unattributed, crewHandOver } = episode
  const { given, received } = crewHandOver ?? {}
  if (isHandedOver(crewHandOver)) return null
  if (given)
    return isCrew
      ? `You gave over, ${formatClock(given.at)}: waits for “I have the patient”.`
      : `${given.by} gave over, ${formatClock(given.at)}.`
  // Of a stay that an account began nobody has to give anything back: who has the patient stands on the card.
  if (!unattributed) return null
  if (received) return `${received.by} has the patient, ${formatClock(received.at)}.${isCrew ? ' Give over too.' : ''}`
  const { claimed, name } = unattributed
  if (isCrew) {
    if (claimed) return `Claimed by ${claimed.by}, ${formatClock(claimed.at)}: alarms and rounds are theirs now. Give over.`
    // While it is put on the page is the step's.
    return record.appliedAt !== null && !pathname.endsWith('/apply') ? 'For whoever takes the patient:' : null
  }
  return claimed ? `${name} has not given over yet.` : null
}
