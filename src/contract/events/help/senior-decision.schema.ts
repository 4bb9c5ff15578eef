import Joi from 'joi'
import { standingLevels } from '#core/model/standing'
import { readItemId } from '#core/rounds/item-ids'
import { longestDecisionMin } from '#core/standing/rounds-standing'
import { decisionAnswers, decisionWays } from '../../records/case'

/** An id of what stands: of a round, or of anything else with where it comes from. */
const seenId = Joi.string()
  .max(120)
  .custom((id: string, helpers) =>
    readItemId(id) !== null || /^(trouble|run|reading|fit|device|task|plan|change)\//.test(id)
      ? id
      : helpers.error('any.custom', { message: 'id' }),
  )

/** The body of `senior-decision`. */
export const schema = Joi.object({
  by: Joi.string().trim().min(2).max(120).required(),
  how: Joi.valid(...decisionWays).required(),
  answer: Joi.valid(...decisionAnswers).required(),
  what: Joi.string()
    .trim()
    .max(300)
    .required()
    .when('answer', { is: Joi.valid('leave', 'words'), then: Joi.string().min(3), otherwise: Joi.string().allow('') }),
  saw: Joi.array()
    .items(Joi.object({ id: seenId.required(), level: Joi.valid(...standingLevels).required() }))
    .unique('id')
    .min(1)
    .max(60)
    .required(),
  comesInMin: Joi.number()
    .integer()
    .min(0)
    .max(longestDecisionMin)
    .when('answer', { is: 'comes', then: Joi.required(), otherwise: Joi.forbidden() }),
  forMin: Joi.number()
    .integer()
    .min(1)
    .max(longestDecisionMin)
    .when('answer', { is: 'leave', then: Joi.required(), otherwise: Joi.forbidden() }),
})
