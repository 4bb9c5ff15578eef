import Joi from 'joi'
import { shortId, text, uuid } from '../../field-schemas'
import { stepOutcomes } from '../../records/run'

/** The body of `step`. */
export const schema = Joi.object({
  runId: uuid.required(),
  stepId: shortId.required(),
  outcome: Joi.valid(...stepOutcomes).required(),
  reason: text(300).required(),
  despite: Joi.array().items(Joi.string().max(60)).max(20),
})
