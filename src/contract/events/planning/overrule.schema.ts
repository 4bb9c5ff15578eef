import Joi from 'joi'
import { reason } from '../../field-schemas'

/** The body of `overrule`. */
export const schema = Joi.object({
  decision: Joi.string().max(60),
  caution: Joi.string().max(60),
  from: Joi.string().max(200),
  figure: Joi.number().allow(null),
  reason: reason.required(),
  value: Joi.alternatives(Joi.number(), Joi.string().max(120), Joi.boolean(), Joi.array().items(Joi.number()).max(40)),
})
  .xor('decision', 'caution')
  .with('decision', 'value')
  .without('decision', ['from', 'figure'])
