import Joi from 'joi'
import { text } from '../../field-schemas'

/** The body of `call`. */
export const schema = Joi.object({
  to: Joi.string().trim().min(2).max(120).required(),
  isReached: Joi.boolean().required(),
  how: Joi.valid('telephone', 'bedside').required(),
  said: text(500).required(),
})
