import type { PatientGivenBody } from '#contract/events/stay/patient-given'
import { isHandedOver } from '#contract/records/crew-hand-over'
import { refuse } from '../refuse'
import type { StayRules } from '../rules'

/** Who has let go of a patient gives them over no more, and nobody does twice. */
export const rules: StayRules<PatientGivenBody> = {
  check(_claim, { stay: { crewHandOver, unattributed }, actor }) {
    const { given, received } = crewHandOver ?? {}
    if (unattributed?.actor === actor.id && unattributed.letGoAt !== undefined)
      refuse('format', 'kind', `${received?.by ?? 'Somebody else'} has this patient: there is nothing to give over any more.`)
    if (given && !isHandedOver(crewHandOver))
      refuse('format', 'kind', `${given.by} gave this patient over already: it waits for "I have the patient" on the other side.`)
  },
}
