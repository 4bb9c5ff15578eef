import Joi from 'joi'
import { heldOutcomes } from './held-entries'

/** What a lead decides of a held entry: what is put aside needs a reason. */
export const heldDecisionSchema = Joi.object({
  how: Joi.string()
    .valid(...heldOutcomes)
    .required(),
  why: Joi.when('how', {
    is: 'put-aside',
    then: Joi.string().trim().min(3).max(500).required(),
    otherwise: Joi.string().valid('').default(''),
  }),
})
