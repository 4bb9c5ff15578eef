import Joi from 'joi'
import { shortId, uuid } from '../../field-schemas'
import { pullTools } from '../../records/run'

const pain = Joi.number().integer().min(0).max(10).allow(null)

/** The body of `pull`. */
export const schema = Joi.object({
  runId: uuid.required(),
  stepId: shortId.required(),
  kg: Joi.number().min(0).max(40).allow(null).required(),
  painBefore: pain.required(),
  painAfter: pain.required(),
  isEqualLength: Joi.boolean().required(),
  tool: Joi.valid(...pullTools).required(),
})
