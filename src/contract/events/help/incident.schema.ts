import Joi from 'joi'
import { harms } from '../../records/incident'
import { text } from '../../field-schemas'

/** The body of `incident`. */
export const schema = Joi.object({
  what: Joi.string().trim().min(10).max(2_000).required(),
  harm: Joi.valid(...harms).required(),
  lot: text(40).trim().required(),
})
