import Joi from 'joi'
import { optionsSchema, uuid } from '../field-schemas'

/** The body of `run-started`. */
export const schema = Joi.object({
  runId: uuid.required(),
  technique: Joi.valid('cast-opening'),
  options: optionsSchema,
  isOpenNow: Joi.boolean(),
})
