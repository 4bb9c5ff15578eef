import Joi from 'joi'
import { shortId, text, uuid } from '../../field-schemas'

/** The body of `trouble`. */
export const schema = Joi.object({
  runId: uuid.allow(null).required(),
  stepId: shortId.allow(null).required(),
  troubleId: shortId.required(),
  label: Joi.string().min(1).max(120).required(),
  note: text(500).required(),
})
