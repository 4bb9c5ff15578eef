import Joi from 'joi'
import { shortId, uuid } from '../../field-schemas'
import { angleTools } from '../../records/run'

/** The body of `angle`. */
export const schema = Joi.object({
  runId: uuid.required(),
  stepId: shortId.required(),
  angleId: shortId.required(),
  deg: Joi.number().min(-180).max(180).required(),
  tool: Joi.valid(...angleTools).required(),
})
