import Joi from 'joi'
import { text, uuid } from '../../field-schemas'

/** The body of `paged`. */
export const schema = Joi.object({
  pageId: uuid.required(),
  step: Joi.number().integer().min(0).max(20).required(),
  role: text(80).required(),
  name: text(120).required(),
  text: text(300).required(),
  findings: Joi.array().items(Joi.string().max(120)).max(60).required(),
})
