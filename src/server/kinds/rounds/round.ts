import { DateTime } from 'luxon'
import type { RoundBody } from '#contract/events/rounds/round'
import type { EpisodeRecord } from '#contract/records/episode'
import { mayCorrect } from '#contract/rights'
import type { Actor } from '../../ledger/writing'
import { refuse, refuseRole } from '../refuse'
import type { StayRules } from '../rules'

/** A round serves cases of its own stay, and nobody is looked at before they are born. */
export const rules: StayRules<RoundBody> = {
  check({ body, at }, { stay, cases, actor }) {
    const stranger = body.cases.findIndex((caseId) => !cases.some(({ id }) => id === caseId))
    if (stranger >= 0) {
      refuse('not-known', `body/cases/${stranger}`, 'This case does not belong to the stay: name cases of this patient’s stay.')
    }
    const born = DateTime.fromISO(stay.patient.born, { zone: stay.zone })
    if (born.isValid && DateTime.fromISO(at) < born) {
      refuse('format', 'at', `The round is timed before the patient was born (${stay.patient.born}): check its time.`)
    }
    checkCorrection(body, stay, actor)
  },
}

/** A round is put right by whoever entered it, or by a clinician; one that is not there cannot be. */
function checkCorrection({ corrects }: RoundBody, stay: EpisodeRecord, actor: Actor): void {
  if (!corrects) return
  const wrong = stay.rounds.find(({ id }) => id === corrects.round)
  if (!wrong)
    return refuse('not-known', 'body/corrects/round', 'This round is not there, or was put right already: take the one that counts now.')
  if (!mayCorrect(wrong, actor)) refuseRole(`${wrong.by} entered this round: ask them, or a clinician, to put it right.`)
}
