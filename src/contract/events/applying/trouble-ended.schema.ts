import Joi from 'joi'
import { uuid } from '../../field-schemas'

/** The body of `trouble-ended`. */
export const schema = Joi.object({
  troubleEvent: uuid.required(),
  word: Joi.string().trim().min(3).max(300).required(),
  isSlip: Joi.valid(true),
})
