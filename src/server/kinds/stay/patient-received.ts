import type { PatientReceivedBody } from '#contract/events/stay/patient-received'
import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** Who brings a patient cannot be who takes them, and one person takes them at a time. */
export const rules: StayRules<PatientReceivedBody> = {
  check(_claim, { stay: { crewHandOver, unattributed }, actor }) {
    const { received } = crewHandOver ?? {}
    if (unattributed?.actor === actor.id)
      refuse('format', 'kind', 'Whoever takes the patient says so under their own name: sign in, or let them do it on their own device.')
    if (unattributed && !unattributed.claimed)
      refuse('format', 'kind', 'Nobody answers for this stay yet: a clinician claims it first, then somebody has the patient.')
    if (received) refuse('format', 'kind', `${received.by} has this patient already: use the hand-over between shifts to take them over.`)
  },
}
