import Joi from 'joi'
import { reason } from '../../field-schemas'

/** The body of `plan-kept`. */
export const schema = Joi.object({
  change: Joi.string()
    .pattern(/^[0-9a-f]{8}$/)
    .required(),
  words: Joi.array().items(Joi.string().max(400)).max(60).required(),
  reason: reason.required(),
})
