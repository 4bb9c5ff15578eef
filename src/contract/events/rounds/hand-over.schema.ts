import Joi from 'joi'
import { text, uuid } from '../../field-schemas'
import { handGrips } from '../../records/run'

/** The body of `hand-over`. */
export const schema = Joi.object({
  runId: uuid.required(),
  place: Joi.valid(...handGrips).required(),
  from: text(60).required(),
  to: Joi.string().trim().min(1).max(60).required(),
})
