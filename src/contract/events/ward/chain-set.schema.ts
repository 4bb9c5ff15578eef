import Joi from 'joi'
import type { Chain } from '../../records/ward'
import { refuseAt, text } from '../../field-schemas'

const longestWaitMin = 60

/** The body of `chain-set`. */
export const schema = Joi.object({
  area: text(80).trim().required(),
  steps: Joi.array()
    .items(
      Joi.object({
        role: Joi.string().trim().min(2).max(80).required(),
        afterMin: Joi.number().integer().min(0).max(longestWaitMin).required(),
      }),
    )
    .max(10)
    .required(),
}).custom((body: Chain, helpers) => {
  // Every place is called somehow: the chain of all others has somebody in it.
  if (body.area === '' && body.steps.length === 0) return refuseAt(helpers, 'steps', 'array.min', 1)
  return body
})
