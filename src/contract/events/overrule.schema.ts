import Joi from 'joi'
import { reason } from '../field-schemas'

/** The body of `overrule`. */
export const schema = Joi.object({
  decision: Joi.string().max(60),
  caution: Joi.string().max(60),
  reason: reason.required(),
  value: Joi.alternatives(Joi.number(), Joi.string().max(120), Joi.boolean(), Joi.array().items(Joi.number()).max(40)),
})
  .xor('decision', 'caution')
  .with('decision', 'value')
