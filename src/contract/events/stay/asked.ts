import type { EpisodeRecord } from '../../records/episode'
import { flagLabel, isOfPatient } from '#core/model/flag-words'
import type { AskedQuestion } from '../../records/episode'
import { exampleInjuryId } from '../example-ids'
import { episodeKind } from '../kind'

export interface AskedBody {
  /** The injury that the questions were asked of. */
  readonly injuryId: string
  readonly questions: readonly AskedQuestion[]
}

/** Questions that were asked, and are not so. */
export const asked = episodeKind<AskedBody>({
  nature: 'additive',
  right: 'add',
  words: ({ questions }) =>
    `Asked, not so: ${questions.map((question) => (question === 'swelling' ? 'swelling' : flagLabel(question).toLowerCase())).join(', ')}`,
  fold: (record, { at, actorName: by, body }): EpisodeRecord => {
    const answers = body.questions.map((question) => ({
      question,
      injuryId: question !== 'swelling' && isOfPatient(question) ? null : body.injuryId,
      at,
      by,
    }))
    const before = (record.asked ?? []).filter(
      (answered) => !answers.some((each) => each.question === answered.question && each.injuryId === answered.injuryId),
    )
    return { ...record, asked: [...before, ...answers] }
  },
  example: { injuryId: exampleInjuryId, questions: ['latex-allergy', 'numb', 'swelling'] },
})
