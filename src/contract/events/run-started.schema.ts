import Joi from 'joi'
import { techniques } from '#core/techniques/registry'
import { optionsSchema, uuid } from '../field-schemas'

/** The body of `run-started`. */
export const schema = Joi.object({
  runId: uuid.required(),
  technique: Joi.valid(...techniques.filter((one) => one.opensCasts).map((one) => one.id)),
  options: optionsSchema,
  isOpenNow: Joi.boolean(),
})
