import Joi from 'joi'
import { shortId, text, uuid } from '../../field-schemas'
import { strapMarks } from '../../records/run'

/** The body of `strap`. */
export const schema = Joi.object({
  runId: uuid.required(),
  stepId: shortId.required(),
  strapId: shortId.required(),
  mark: Joi.valid(...strapMarks).required(),
  reason: text(300).required(),
})
