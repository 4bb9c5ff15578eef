import Joi from 'joi'
import { taskOutcomes } from '../records/task'
import { shortId, text } from '../field-schemas'

/** The body of `task-done`. */
export const schema = Joi.object({
  taskId: shortId.min(1).required(),
  text: Joi.string().min(1).max(300).required(),
  outcome: Joi.valid(...taskOutcomes).required(),
  reason: Joi.when('outcome', { is: 'done', then: text(500), otherwise: Joi.string().trim().min(3).max(500) }).required(),
  answers: Joi.object()
    .pattern(/^.{1,40}$/, Joi.alternatives(text(300), Joi.number().min(-10_000).max(10_000)))
    .max(40)
    .required(),
})
