import { askedFlags, flagWords, isOfPatient, type AskedFlag } from '#core/model/flag-words'
import { bodyRegionOf, type Flag } from '#core/model/vocabulary'
import type { Question } from '#core/techniques/what-if'
import type { CaseRecord } from '#contract/records/case'
import { unknownInjury, type AnsweredNo, type EpisodeRecord } from '#contract/records/episode'

/** What Size up has asked of a case, and what it has yet to ask. */
export interface Questions {
  /** Nobody has answered these; of flags only those that suit the part. */
  readonly open: readonly Question[]
  /** Set, those of the patient first. */
  readonly so: readonly AskedFlag[]
  /** Asked, and not so. */
  readonly notSo: readonly AnsweredNo[]
}

/** The questions of a case: flags, swelling, level, position, age, height and weight. */
export function questionsOf(record: CaseRecord, episode: EpisodeRecord): Questions {
  const injury = episode.injuries[record.injuryId] ?? unknownInjury
  const isSet = (flag: Flag): boolean => (isOfPatient(flag) ? episode.flags : injury.flags).some((one) => one === flag)
  const notSo = (episode.asked ?? []).filter(
    ({ question, injuryId }) =>
      (injuryId === null || injuryId === record.injuryId) && (question === 'swelling' ? injury.swelling === 'none' : !isSet(question)),
  )
  const isAnswered = (question: string): boolean => notSo.some((answered) => answered.question === question)
  const part = injury.region === null ? null : bodyRegionOf(injury.region)
  const flags = askedFlags.filter(
    (flag) => !isSet(flag) && !isAnswered(flag) && (part === null ? flagWords[flag].isAlwaysAsked : flagWords[flag].parts.includes(part)),
  )
  const { patient } = episode
  const others: readonly (readonly [Question, boolean])[] = [
    ['swelling', injury.swelling === 'none' && !isAnswered('swelling')],
    ['level', injury.levelCm === null],
    ['position', record.options['position'] === undefined],
    ['age', patient.ageYears === null],
    ['height', patient.heightCm === null],
    ['mass', patient.massKg === null],
  ]
  return {
    open: [...flags, ...others.flatMap(([question, isOpen]) => (isOpen ? [question] : []))],
    so: askedFlags.filter(isSet),
    notSo,
  }
}
