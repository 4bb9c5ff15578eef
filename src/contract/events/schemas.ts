import Joi from 'joi'
import { streamTypes } from '../event'
import { greatestInteger, instant, uuid } from '../field-schemas'
import { eventBodySchemas } from './body-schemas'

export { eventBodySchemas }

/** The envelope of an event; its body is checked by kind afterwards. */
export const eventSchema = Joi.object({
  id: uuid.required(),
  stream: Joi.object({ type: Joi.valid(...streamTypes).required(), id: uuid.required() }).required(),
  kind: Joi.valid(...Object.keys(eventBodySchemas)).required(),
  v: Joi.number().integer().min(1).max(1000).required(),
  body: Joi.object().required(),
  // What waited on its device is kept at its receipt where its clock told a time that there is not.
  at: Joi.when('queued', { is: true, then: Joi.string().max(40).required(), otherwise: instant.required() }),
  offsetMs: Joi.number().integer().min(-86_400_000).max(86_400_000).required(),
  base: Joi.number().integer().min(0).max(greatestInteger),
  queued: Joi.valid(true),
})
