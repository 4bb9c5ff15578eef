import Joi from 'joi'
import { timerKinds } from '#core/model/step'
import { shortId, text, uuid } from '../../field-schemas'

/** The body of `timer`. */
export const schema = Joi.object({
  runId: uuid.required(),
  timerId: shortId.required(),
  label: text(60).required(),
  minutes: Joi.number().greater(0).max(10_000).required(),
  kind: Joi.valid(...timerKinds),
  until: shortId,
})
