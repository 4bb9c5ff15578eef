import Joi from 'joi'
import { reason, uuid } from '../../field-schemas'

/** The body of `merged`. */
export const schema = Joi.object({
  withEpisode: uuid.required(),
  reason: reason.required(),
  // What a client says of the other patient is not kept.
  into: Joi.any().strip(),
})
