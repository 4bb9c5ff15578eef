import Joi from 'joi'
import { standingLevels } from '#core/model/standing'
import { readItemId } from '#core/rounds/item-ids'
import { longestDecisionMin } from '#core/standing/standing-finding'
import { text } from '../../field-schemas'
import { decisionAnswers, decisionWays } from '../../records/case'

/** An id of what stands: of a round, or of anything else with where it comes from. */
const seenId = Joi.string()
  .max(120)
  .custom((id: string, helpers) =>
    readItemId(id) !== null || /^(trouble|run|reading|fit|device|task|plan|change)\//.test(id)
      ? id
      : helpers.error('any.custom', { message: 'id' }),
  )

interface Body {
  readonly answer: (typeof decisionAnswers)[number]
  readonly what: string
  readonly comesInMin?: number
  readonly forMin?: number
}

/** The body of `senior-decision`. */
export const schema = Joi.object({
  by: Joi.string().trim().min(2).max(120).required(),
  how: Joi.valid(...decisionWays).required(),
  answer: Joi.valid(...decisionAnswers).required(),
  what: text(300).required(),
  saw: Joi.array()
    .items(Joi.object({ id: seenId.required(), level: Joi.valid(...standingLevels).required() }))
    .unique('id')
    .min(1)
    .max(60)
    .required(),
  comesInMin: Joi.number().integer().min(0).max(longestDecisionMin),
  forMin: Joi.number().integer().min(1).max(longestDecisionMin),
}).custom((body: Body, helpers) => {
  const wrong = wrongField(body)
  return wrong ? helpers.error('any.custom', { message: wrong }) : body
})

/** The field that does not belong to the answer, or that it needs and has not; null where all fit. */
function wrongField({ answer, what, comesInMin, forMin }: Body): string | null {
  if ((answer === 'leave' || answer === 'words') && what.trim().length < 3) return 'what'
  if ((answer === 'comes') !== (comesInMin !== undefined)) return 'comesInMin'
  return (answer === 'leave') !== (forMin !== undefined) ? 'forMin' : null
}
