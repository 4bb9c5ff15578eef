import Joi from 'joi'
import { instant, text } from '../../field-schemas'

/** The body of `task-added`. */
export const schema = Joi.object({
  text: Joi.string().trim().min(3).max(200).required(),
  dueAt: instant.required(),
  who: text(80).required(),
})
