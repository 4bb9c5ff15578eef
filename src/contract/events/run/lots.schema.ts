import Joi from 'joi'
import { shortId } from '../../field-schemas'

/** The body of `lots`. */
export const schema = Joi.object({
  item: shortId.required(),
  lots: Joi.array().items(Joi.string().trim().min(2).max(40)).max(6).unique().required(),
})
