import Joi from 'joi'
import { taskOutcomes, type TaskBody } from '../../records/task'
import { leastReason, refuseAt, shortId, text } from '../../field-schemas'

/** The body of `task-done`: what was not done says why. */
export const schema = Joi.object({
  taskId: shortId.min(1).required(),
  text: Joi.string().min(1).max(300).required(),
  outcome: Joi.valid(...taskOutcomes).required(),
  reason: text(500).required(),
  answers: Joi.object()
    .pattern(/^.{1,40}$/, Joi.alternatives(text(300), Joi.number().min(-10_000).max(10_000)))
    .max(40)
    .required(),
}).custom((body: TaskBody, helpers) =>
  body.outcome === 'done' || body.reason.trim().length >= leastReason ? body : refuseAt(helpers, 'reason', 'string.min', leastReason),
)
